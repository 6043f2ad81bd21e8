package standins.practice;

import java.time.LocalDate;
import java.util.Map;
import standins.Refusal;

/// What a deed befalls.
record About(Map<String, String> given) {
    String get(String name) {
        String value = given.getOrDefault(name, "");
        if (value.isBlank()) {
            throw Refusal.unprocessable("nothing-named", "It is not said which " + name + " it befalls.");
        }
        return value;
    }

    LocalDate day() {
        return LocalDate.parse(get("day"));
    }
}
