package alcabala.connectors.http;

import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceFeed;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import tools.jackson.databind.JsonNode;

/// Reads what an outside system answered. What cannot be understood is said with its place, as a fault of that system
/// and not of ours.
final class Understood {
    private Understood() {}

    /// @param what that which is read, such as `document HW-20301`
    static <T> T read(String system, String what, Supplier<T> reading) {
        try {
            return reading.get();
        } catch (UnreachableException e) {
            throw e;
        } catch (ArithmeticException e) {
            throw new AnswerUnusableException(system, "an amount of " + what + " is finer than its currency allows", e);
        } catch (RuntimeException e) {
            throw new AnswerUnusableException(system, what + " cannot be understood", e);
        }
    }

    /// The changes of an app, as each has them under words of its own.
    ///
    /// @param name what a change is called in a sentence
    static SourceFeed feed(
            String system,
            long after,
            Cursor cursor,
            JsonNode changes,
            Function<JsonNode, String> name,
            Function<JsonNode, Optional<SourceChange>> mapping) {
        list(system, "changes", changes);
        cursor.requireOnward(system, after);
        List<SourceChange> read = new ArrayList<>();
        for (JsonNode change : changes) {
            read(system, name.apply(change), () -> mapping.apply(change)).ifPresent(read::add);
        }
        return new SourceFeed(read, cursor.next().asLong(), cursor.more());
    }

    /// @param of what is listed, such as `accounts`
    static JsonNode list(String system, String of, JsonNode answer) {
        if (!answer.isArray()) {
            throw new AnswerUnusableException(system, "no list of " + of + " came where one was asked for");
        }
        return answer;
    }

    /// Where a list of changes goes on.
    record Cursor(JsonNode next, boolean more) {
        /// A list that never goes on would be asked for without end.
        void requireOnward(String system, long after) {
            if (!next.isIntegralNumber()) {
                throw new AnswerUnusableException(system, "its list of changes does not say where it goes on");
            }
            if (next.asLong() < after || (more && next.asLong() == after)) {
                throw new AnswerUnusableException(system, "its list of changes does not go on after " + after);
            }
        }
    }
}
