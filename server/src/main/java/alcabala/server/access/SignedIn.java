package alcabala.server.access;

import alcabala.server.platform.Actor;
import java.io.Serializable;
import java.security.Principal;

/// Who is asking.
///
/// @param id by which the trail names her
public record SignedIn(long id, String signIn, String name, Role role) implements Actor, Principal, Serializable {
    @Override
    public String getName() {
        return name;
    }

    public Sight sight() {
        return role.seesBooks() ? Sight.ALL : new Sight(signIn);
    }
}
