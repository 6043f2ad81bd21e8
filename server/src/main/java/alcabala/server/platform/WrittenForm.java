package alcabala.server.platform;

import alcabala.formats.print.Form;
import java.math.BigDecimal;
import java.time.LocalDate;

/// Paper as somebody writes figures and days.
public record WrittenForm(Conventions writing) implements Form {
    /// As whoever is signed in does.
    public static Form now() {
        return new WrittenForm(Writing.now());
    }

    @Override
    public String figure(BigDecimal amount) {
        return writing.figure(amount);
    }

    @Override
    public String day(LocalDate day) {
        return writing.day(day);
    }
}
