package alcabala.server.access;

import java.io.Serializable;
import java.security.Principal;

/// Who is asking.
public record SignedIn(String signIn, String name, Role role) implements Principal, Serializable {
    @Override
    public String getName() {
        return name;
    }

    public Sight sight() {
        return role.seesBooks() ? Sight.ALL : new Sight(signIn);
    }
}
