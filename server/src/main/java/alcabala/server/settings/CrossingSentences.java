package alcabala.server.settings;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Setting;
import alcabala.accounting.setting.Topic;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.List;

/// What a kind of record is on the ledger, as it is decided, in a few words.
final class CrossingSentences {
    private CrossingSentences() {}

    static String parties(RouteSettings decided) {
        return word(decided, Topic.CUSTOMERS);
    }

    static String items(RouteSettings decided) {
        return decided.is(Topic.LINE_KIND, "items") ? "named on lines" : "not named, accounts only";
    }

    static String takesNone(RouteRow route) {
        return route.ledgerAnswers() ? "takes none" : "no layout of files carries them";
    }

    static String of(RouteRow route, RouteSettings decided, Carried of) {
        RecordKind kind = of.kinds().getFirst();
        if (!decided.crosses(kind) && !decided.comesBack(kind)) {
            return "–";
        }
        if (kind.isDocument() && !decided.crosses(kind)) {
            return "is entered in %s as it is there".formatted(route.source());
        }
        return kind.isDocument() ? document(decided, kind) : money(route, decided, kind);
    }

    private static String document(RouteSettings decided, RecordKind kind) {
        List<String> parts = new ArrayList<>();
        parts.add(word(decided, Topic.ARRIVAL, kind));
        parts.add(
                decided.is(Topic.LINE_DETAIL, kind, "by-account")
                        ? "a line for each account"
                        : kind.isSale() && decided.is(Topic.LINE_KIND, kind, "items")
                                ? "each line, by item"
                                : "each line");
        if (decided.hasTaxInLines(kind)) {
            parts.add("tax in its lines");
        }
        return String.join(", ", parts);
    }

    private static String money(RouteRow route, RouteSettings decided, RecordKind kind) {
        if (!decided.crosses(kind)) {
            return "closes documents in " + route.source();
        }
        return decided.comesBack(kind) ? "settles documents on both sides" : "settles documents there";
    }

    private static String word(RouteSettings decided, Topic topic) {
        return SettingSentences.word(new Setting(topic, Carried.EVERYTHING), decided.get(topic));
    }

    private static String word(RouteSettings decided, Topic topic, RecordKind kind) {
        return SettingSentences.word(new Setting(topic, Carried.EVERYTHING), decided.get(topic, kind));
    }
}
