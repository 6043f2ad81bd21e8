package standins;

import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.bind.annotation.RestControllerAdvice;

@RestControllerAdvice(annotations = RestController.class)
class RefusalAdvice {
    record Answer(String code, String sentence) {}

    @ExceptionHandler
    ResponseEntity<Answer> refused(Refusal refusal) {
        return ResponseEntity.status(refusal.status()).body(new Answer(refusal.code(), refusal.getMessage()));
    }

    @ExceptionHandler({
        org.springframework.http.converter.HttpMessageNotReadableException.class,
        org.springframework.web.bind.MissingServletRequestParameterException.class
    })
    ResponseEntity<Answer> unreadable(Exception e) {
        return ResponseEntity.status(HttpStatus.BAD_REQUEST)
                .body(new Answer("unreadable", "The request could not be read."));
    }
}
