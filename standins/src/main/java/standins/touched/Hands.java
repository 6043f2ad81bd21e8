package standins.touched;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/// Whose request it is that is answered: a program's, which said what it is let in as, or that of a person at a desk.
@Component
public class Hands {
    /// An attribute of a request: what the program that asks is let in as.
    public static final String PROGRAM = "standins.program";

    /// @param person who sits at the desk if nobody says who does
    public Hand now(String person) {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes)) {
            return new Hand(person, false);
        }
        HttpServletRequest request = attributes.getRequest();
        if (request.getAttribute(PROGRAM) instanceof String program) {
            return new Hand(program, true);
        }
        String said = request.getParameter("by");
        return new Hand(said == null || said.isBlank() ? person : said.strip(), false);
    }
}
