package alcabala.server.platform;

import jakarta.validation.ConstraintViolationException;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.validation.BindingResult;
import org.springframework.validation.FieldError;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/// One shape for every error of the API, Spring's own among them.
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {
    @ExceptionHandler
    ResponseEntity<Object> anything(Exception e) {
        return answer(Problems.of(e), new HttpHeaders());
    }

    @ExceptionHandler
    ResponseEntity<Object> violated(ConstraintViolationException e) {
        return answer(
                Problem.of(
                        HttpStatus.BAD_REQUEST,
                        "invalid",
                        "Something in the request is not as it must be.",
                        e.getMessage()),
                new HttpHeaders());
    }

    @Override
    protected ResponseEntity<Object> handleExceptionInternal(
            Exception e, Object body, HttpHeaders headers, HttpStatusCode code, WebRequest request) {
        HttpStatus status = HttpStatus.valueOf(code.value());
        if (status.is5xxServerError()) {
            return answer(Problems.of(e), headers);
        }
        return answer(
                switch (e) {
                    case MaxUploadSizeExceededException large ->
                        Problem.of(HttpStatus.CONTENT_TOO_LARGE, "too-large", "A file may have at most 20 MB.");
                    case MethodArgumentNotValidException invalid ->
                        Problem.of(status, "invalid", fields(invalid.getBindingResult()))
                                .about(byField(invalid.getBindingResult()));
                    case HttpMessageNotReadableException unreadable ->
                        Problem.of(
                                status,
                                "unreadable",
                                "The request cannot be read: it is not the JSON that is asked for here.");
                    default -> Problem.of(status, code(status), sentence(status), e.getMessage());
                },
                headers);
    }

    private static ResponseEntity<Object> answer(Problem problem, HttpHeaders headers) {
        return ResponseEntity.status(problem.status())
                .headers(headers)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(problem);
    }

    private static Map<String, String> byField(BindingResult result) {
        return result.getFieldErrors().stream()
                .collect(Collectors.toMap(
                        FieldError::getField,
                        each -> "It " + each.getDefaultMessage() + ".",
                        (one, other) -> one,
                        TreeMap::new));
    }

    private static String fields(BindingResult result) {
        String fields = Stream.concat(
                        result.getFieldErrors().stream().map(each -> each.getField() + " " + each.getDefaultMessage()),
                        result.getGlobalErrors().stream().map(each -> each.getDefaultMessage()))
                .sorted()
                .collect(Collectors.joining("; "));
        return "Not as it must be: " + fields + ".";
    }

    static String code(HttpStatus status) {
        return status.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    static String sentence(HttpStatus status) {
        return switch (status) {
            case NOT_FOUND -> "There is nothing here.";
            case METHOD_NOT_ALLOWED -> "This cannot be done here.";
            case UNSUPPORTED_MEDIA_TYPE -> "What was sent is of a kind that is not taken here.";
            case NOT_ACCEPTABLE -> "This can only be answered as JSON.";
            case CONTENT_TOO_LARGE -> "This is larger than what is taken here.";
            default -> "The request is not as it must be.";
        };
    }
}
