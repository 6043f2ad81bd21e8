package alcabala.connectors.http;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.Limits;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.Customers;
import alcabala.accounting.posting.StandardFields;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.Kept;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.Unusable;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceFeed;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;

/// Reads what an outside system answered. What cannot be understood is said with its place, as a fault of that system
/// and not of ours.
public final class Understood {
    private static final int MOST_CHOICES = 500;

    private Understood() {}

    /// @param what that which is read, such as `document HW-20301`
    public static <T> T read(String system, String what, Supplier<T> reading) {
        try {
            return reading.get();
        } catch (UnreachableException e) {
            throw e;
        } catch (BeyondLimitsException e) {
            throw new AnswerUnusableException(system, what + ": " + e.getMessage(), e);
        } catch (ArithmeticException e) {
            throw new AnswerUnusableException(system, "an amount of " + what + " is finer than its currency allows", e);
        } catch (RuntimeException e) {
            throw new AnswerUnusableException(system, what + " cannot be understood", e);
        }
    }

    /// Within what a record may be at most.
    public static Record record(String system, String what, Supplier<Record> reading) {
        Record record = read(system, what, reading);
        Optional<String> beyond = switch (record) {
            case Document document -> Limits.findExceeded(document);
            case Settlement settlement -> Limits.findExceeded(settlement);
            case Banking banking -> Limits.findExceeded(banking);
        };
        if (beyond.isPresent()) {
            throw new AnswerUnusableException(system, what + ": " + beyond.get());
        }
        return record;
    }

    /// Asked before anything is computed with it.
    public static BigDecimal within(String name, BigDecimal number) {
        if (Limits.isBeyond(number)) {
            throw new BeyondLimitsException(name + " is beyond what is taken in");
        }
        return number;
    }

    /// What a record is.
    ///
    /// @param ref what identifies it on its source
    /// @param name by which people know it
    public record Label(String type, String ref, String name) {
        /// `document HW-20301`.
        public String sentence() {
            return name.isBlank() ? type : type + " " + name;
        }
    }

    /// The changes of an app, as each has them under words of its own. One that cannot be understood is set aside.
    public static SourceFeed feed(
            String system,
            long after,
            Cursor cursor,
            JsonNode changes,
            Function<JsonNode, Label> label,
            Function<JsonNode, Optional<SourceChange>> mapping) {
        list(system, "changes", changes);
        cursor.requireOnward(system, after);
        List<SourceChange> read = new ArrayList<>();
        for (JsonNode change : changes) {
            change(system, label.apply(change), change, mapping).ifPresent(read::add);
        }
        return new SourceFeed(read, cursor.next().asLong(), cursor.more());
    }

    /// One record, set aside when it cannot be understood.
    public static Optional<SourceChange> change(
            String system, Label its, JsonNode change, Function<JsonNode, Optional<SourceChange>> mapping) {
        try {
            return read(system, its.sentence(), () -> understood(change, mapping));
        } catch (AnswerUnusableException e) {
            return Optional.of(new SourceChange.SetAside(unusable(its, e.what(), change)));
        }
    }

    private static Optional<SourceChange> understood(
            JsonNode change, Function<JsonNode, Optional<SourceChange>> mapping) {
        requireText(change);
        Optional<SourceChange> mapped = mapping.apply(change);
        mapped.flatMap(Understood::findBeyond).ifPresent(beyond -> {
            throw new BeyondLimitsException(beyond);
        });
        return mapped;
    }

    /// What is kept of a record that cannot be used.
    public static Unusable unusable(Label label, String reason, JsonNode change) {
        String raw = Kept.text(change.toString());
        String ref = label.ref().isEmpty() ? Integer.toHexString(raw.hashCode()) : label.ref();
        return new Unusable(
                shown(label.type().isEmpty() ? "record" : label.type()),
                shown(ref),
                shown(label.sentence().strip()),
                Kept.quoted(reason),
                raw);
    }

    private static String shown(String text) {
        String fit = Kept.text(text);
        return fit.length() <= Limits.CODE ? fit : fit.substring(0, Limits.CODE);
    }

    /// What masters may be at most; a document is looked at once it has been read.
    private static Optional<String> findBeyond(SourceChange change) {
        return switch (change) {
            case SourceChange.PartyChanged c ->
                Customers.isProject(c.party().code())
                        ? Optional.of("its code cannot be told from that of a project: "
                                + c.party().code())
                        : findBeyond(c.party());
            case SourceChange.ItemChanged c -> findBeyond(c);
            case SourceChange.CategoryChanged c -> findLonger(c.code(), "", c.name());
            case SourceChange.SiteChanged c -> findLonger(c.name(), "", "");
            case SourceChange.TaxChanged c ->
                Limits.isRate(c.rate()) ? findLonger(c.code(), "", c.name()) : Optional.of("its rate is none");
            case SourceChange.TermsChanged c ->
                findLonger(c.terms().code(), "", c.terms().name());
            case SourceChange.FieldChanged c -> findBeyond(c.field());
            case SourceChange.RecordChanged c ->
                c.id().isBlank() ? Optional.of("it has no id") : findLonger(c.id(), "", "");
            case SourceChange.RecordGone c -> findLonger(c.id(), "", "");
            case SourceChange.SetAside c -> Optional.empty();
        };
    }

    /// What a field may be at most, of either side.
    public static Optional<String> findBeyond(CustomField field) {
        if (StandardFields.isStandard(field.code()) || field.code().contains(" > ")) {
            return Optional.of("its code cannot be told from others: " + field.code());
        }
        if (field.choices().size() > MOST_CHOICES) {
            return Optional.of("it has more than " + MOST_CHOICES + " choices");
        }
        return Stream.concat(
                        Stream.of(findLonger(field.code(), "", field.name())),
                        field.choices().entrySet().stream()
                                .map(choice -> findLonger(choice.getKey(), "", choice.getValue())))
                .flatMap(Optional::stream)
                .findFirst();
    }

    private static Optional<String> findBeyond(Party party) {
        return party.code().isBlank() ? Optional.of("it has no code") : Limits.findExceeded(party);
    }

    private static Optional<String> findBeyond(SourceChange.ItemChanged item) {
        return findLonger(item.code(), item.category() + item.unit(), item.name());
    }

    /// This, when it is within what an item may be at most.
    public static SourceChange.ItemChanged item(SourceChange.ItemChanged item) {
        findBeyond(item).ifPresent(beyond -> {
            throw new BeyondLimitsException(beyond);
        });
        return item;
    }

    /// This, when it is within what a party may be at most.
    public static Party party(Party party) {
        findBeyond(party).ifPresent(beyond -> {
            throw new BeyondLimitsException(beyond);
        });
        return party;
    }

    private static Optional<String> findLonger(String code, String other, String name) {
        if (code.isBlank()) {
            return Optional.of("it has no code");
        }
        if (code.length() > Limits.CODE || other.length() > Limits.CODE) {
            return Optional.of("a code is longer than " + Limits.CODE + " characters");
        }
        return name.length() > Limits.NAME
                ? Optional.of("its name is longer than " + Limits.NAME + " characters")
                : Optional.empty();
    }

    /// No text column takes NUL or half a character.
    private static void requireText(JsonNode node) {
        Stream<String> names = node.isObject() ? node.propertyStream().map(each -> each.getKey()) : Stream.empty();
        boolean unfit = Stream.concat(names, node.isString() ? Stream.of(node.asString()) : Stream.empty())
                .anyMatch(text -> text.codePoints().anyMatch(Kept::isUnfit));
        if (unfit) {
            throw new BeyondLimitsException("it holds a character that is none");
        }
        node.forEach(Understood::requireText);
    }

    /// @param of what is listed, such as `accounts`
    public static JsonNode list(String system, String of, JsonNode answer) {
        if (!answer.isArray()) {
            throw new AnswerUnusableException(system, "no list of " + of + " came where one was asked for");
        }
        return answer;
    }

    /// Where a list of changes goes on.
    public record Cursor(JsonNode next, boolean more) {
        /// A list that never goes on would be asked for without end.
        public void requireOnward(String system, long after) {
            if (!next.isIntegralNumber()) {
                throw new AnswerUnusableException(system, "its list of changes does not say where it goes on");
            }
            if (!next.canConvertToLong() || next.asLong() < after || (more && next.asLong() == after)) {
                throw new AnswerUnusableException(system, "its list of changes does not go on after " + after);
            }
        }
    }

    /// More of something than a record can have.
    private static final class BeyondLimitsException extends RuntimeException {
        BeyondLimitsException(String message) {
            super(message);
        }
    }
}
