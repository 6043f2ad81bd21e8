package alcabala.server.masters;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.field.Half;
import alcabala.accounting.field.MasterField;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.sync.LastChanges;
import alcabala.accounting.sync.Saying;
import alcabala.accounting.sync.Side;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.CreatesMasters;
import alcabala.connectors.ledger.TellsWhoChanged;
import alcabala.connectors.spi.Connection;
import alcabala.server.route.RouteRow;
import java.sql.Timestamp;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;

/// A kind of master: its fields, where it is kept here, and how a side is told of one. What a side has of one is kept
/// whole, as one text (`body`), so that what is not ours is not lost when it is written.
interface Master {
    Carried carried();

    /// The rows of the crosswalk that link two of them.
    RowKind row();

    /// `party`, as one of them is called.
    String word();

    /// Whether those of the same code on both sides stand for each other without a row of the crosswalk.
    boolean linksSameCodes();

    List<? extends MasterField> fields();

    Tables tables();

    /// Where they are kept here.
    ///
    /// @param source the table of those of a source
    /// @param sourceBody what it has of one `s`, as SQL
    /// @param sourceText another one whenever that is another, as SQL that costs little
    /// @param ledgerBody what it has of one `p`, as SQL
    /// @param ledgerText as for the source
    record Tables(
            String source, String sourceBody, String sourceText, String ledger, String ledgerBody, String ledgerText) {}

    /// One as it was read on a side.
    ///
    /// @param version as that side names it
    record There(String code, String body, Half half, String version) {}

    Half half(String body);

    /// Links those that the crosswalk does not pair and that stand for each other all the same.
    void linkOthers(RouteRow route, Timestamp now);

    Sayings sayings(RouteRow route);

    /// How the values of each are said on the other side.
    ///
    /// @param asked what the ledger asks of all of them, as one text
    /// @param of each by its code, and by the name that its crosswalk row gives it; empty for none
    record Sayings(String asked, BiFunction<String, String, Saying> of) {}

    /// Codes of the fields in which a side takes another value; none where it cannot be told at all.
    Set<String> takes(Connection there);

    /// @throws UnreachableException when it does not answer
    Optional<There> find(Connection there, String code);

    /// The same with other values; without one what is there is taken away.
    String with(String body, SortedMap<String, Optional<String>> wanted);

    /// @return accepted with what stands there by now
    Answer<String> change(Connection there, There standing, String wanted, String key);

    /// How a side calls the one that it answered.
    String code(String body);

    /// Of some of the ledger, as it has them, by code, those that may be one that the source has by now: the code of
    /// the likeliest, by theirs.
    UnaryOperator<Map<String, String>> resembling(RouteRow route);

    /// Those of some of the ledger that may be one with another of them, but for the first of each.
    Set<String> repeated(Map<String, String> bodies);

    /// What the source is told of one that is new there, of what the ledger has. The rest travels once both have it.
    default String asNew(String body) {
        return body;
    }

    /// @param body as a new one is told
    /// @return accepted with what stands there by now
    Answer<String> create(CreatesMasters there, String code, String body, String reference, String key);

    /// What was created on the source is known here before anybody tells of it.
    void knowNew(RouteRow route, String body);

    /// When those of these codes were last changed there, as far as it tells, by code.
    ///
    /// @throws UnreachableException when it does not answer
    Map<String, LastChanges> changed(TellsWhoChanged there, Collection<String> codes);

    /// What is known here is as it stands there by now, before anybody tells of it: what was written is no news.
    void know(RouteRow route, Side side, String body);
}
