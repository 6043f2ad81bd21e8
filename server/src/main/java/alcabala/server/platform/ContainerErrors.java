package alcabala.server.platform;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// What the container itself refuses has the same shape.
@RestController
class ContainerErrors implements ErrorController {
    @io.swagger.v3.oas.annotations.Hidden
    @RequestMapping("/error")
    ResponseEntity<Problem> error(HttpServletRequest request) {
        Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        HttpStatus status = code instanceof Integer number && HttpStatus.resolve(number) != null
                ? HttpStatus.valueOf(number)
                : HttpStatus.NOT_FOUND;
        Object cause = request.getAttribute(RequestDispatcher.ERROR_EXCEPTION);
        Problem problem = status.is5xxServerError() && cause instanceof Throwable thrown
                ? Problems.of(thrown)
                : Problem.of(status, ProblemAdvice.code(status), ProblemAdvice.sentence(status));
        return ResponseEntity.status(problem.status())
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(problem);
    }
}
