package alcabala.server.record;

import alcabala.accounting.record.RecordKind;
import alcabala.server.access.Sight;
import alcabala.server.platform.Like;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/// Which records of a route are meant. Every part narrows; null or empty leaves it open.
///
/// @param kinds of record
/// @param states such as `Blocked`, or [Records#LEFT]
/// @param cause all documents that share a finding's cause
/// @param firstCause only those listed under it, since it is their first
/// @param text part of a number on either side, or of the party's name
public record RecordFilter(
        List<RecordKind> kinds,
        List<String> states,
        LocalDate from,
        LocalDate to,
        String cause,
        String firstCause,
        String text,
        Sight sight) {
    /// All of a route that somebody may look at.
    public static RecordFilter all(Sight sight) {
        return new RecordFilter(null, List.of(), null, null, null, null, null, sight);
    }

    /// Conditions on the table `document d`, each bracketed, to follow `d.route_id = :route`.
    String sql() {
        StringBuilder sql = new StringBuilder(sight.ofDocuments());
        if (isSome(kinds)) {
            sql.append(" and d.kind = any(:kinds)");
        }
        if (isSome(states)) {
            sql.append(ofStates());
        }
        if (from != null) {
            sql.append(" and d.issue_date >= :from");
        }
        if (to != null) {
            sql.append(" and d.issue_date <= :to");
        }
        if (isSet(cause)) {
            sql.append(" and ((d.state = 'Refused' and 'refused:' || d.refusal = :cause)"
                    + " or exists (select 1 from finding f where f.record_id = d.id and f.cause = :cause))");
        }
        if (isSet(firstCause)) {
            sql.append(
                    " and (d.cause = :firstCause or (d.state = 'Refused' and 'refused:' || d.refusal = :firstCause))");
        }
        if (isSet(text)) {
            sql.append(" and d.id in (select f.record_id from record_find f where f.text like lower(:text))");
        }
        return sql.toString();
    }

    /// What is left alone is so instead of what else it would be.
    private String ofStates() {
        String own =
                (states.size() == 1 ? "d.state = :state" : "d.state in (:states)") + " and not " + Records.LEFT_ALONE;
        return states.contains(Records.LEFT) ? " and (" + Records.LEFT_ALONE + " or " + own + ")" : " and " + own;
    }

    Map<String, Object> parameters() {
        Map<String, Object> parameters = new HashMap<>();
        parameters.put("viewer", sight.onlyOf());
        if (isSome(kinds)) {
            parameters.put("kinds", RecordKind.words(kinds::contains));
        }
        if (isSome(states)) {
            parameters.put("state", states.getFirst());
            parameters.put("states", states);
        }
        parameters.put("from", from);
        parameters.put("to", to);
        parameters.put("cause", cause);
        parameters.put("firstCause", firstCause);
        parameters.put("text", isSet(text) ? Like.anywhere(text) : null);
        return parameters;
    }

    private static boolean isSome(List<?> list) {
        return list != null && !list.isEmpty();
    }

    private static boolean isSet(String text) {
        return text != null && !text.isBlank();
    }
}
