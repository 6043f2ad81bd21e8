package alcabala.server.connect;

import alcabala.server.connection.SetAsides;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Records that cannot be used, with what came of them.
@RestController
@RequestMapping("/api/set-aside")
class SetAsideApi {
    private final SetAsides setAsides;

    SetAsideApi(SetAsides setAsides) {
        this.setAsides = setAsides;
    }

    @GetMapping
    List<SetAsides.SetAside> list() {
        return setAsides.open();
    }

    @DeleteMapping("/{id}")
    void putAway(@PathVariable long id, Principal who) {
        setAsides.putAway(id, who.getName());
    }
}
