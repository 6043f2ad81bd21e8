package alcabala.accounting.matching;

import alcabala.accounting.matching.evidence.Agreement;
import alcabala.accounting.matching.evidence.Evidence;
import alcabala.accounting.matching.evidence.Evidence.Topic;
import alcabala.accounting.matching.identifier.Place;
import alcabala.accounting.matching.identifier.TaxIdentifier.Check;
import alcabala.accounting.matching.name.NameComparison;
import alcabala.accounting.matching.name.NameComparison.Knowledge;
import alcabala.accounting.matching.name.Weights;
import alcabala.accounting.matching.name.Word;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToIntFunction;

/// Weighs what speaks for and against that one party is another. A weight is the logarithm to base 2 of how
/// much more often it is so with two that are one than with two that are not.
final class Comparison {
    /// What more share than so many is no evidence, neither for nor against.
    private static final int FEW = 5;

    /// From so many parties on that have it, a word is one, and hardly a slip of another.
    private static final int SEVERAL = 3;

    private static final double TAX_SAME = 14;
    private static final double TAX_NEARLY = 5;
    private static final double TAX_OTHER = -10;
    private static final double TAX_OTHER_WITH_WRONG_CHECK = -6;
    private static final double MAIL_SAME = 11;
    private static final double MAIL_OF_A_NAME = 5;
    private static final double MAIL_NEARLY = 5;
    private static final double MAIL_HOUSE = 5;
    private static final double MAIL_OTHER = -0.5;
    private static final double MAIL_OTHER_HOUSE = -1.5;
    private static final double PHONE_SAME = 10;
    private static final double PHONE_NEARLY = 3;
    private static final double PHONE_OTHER = -1;
    private static final double HOUSE_SAME = 8;
    private static final double STREET_SAME = 5;
    private static final double ZONE_SAME = 3.5;
    private static final double OTHER_HOUSE_IN_TOWN = 0.5;
    private static final double MOST_OF_A_TOWN = 3;
    private static final double TOWN_OTHER = -4;
    private static final double COUNTRY_OTHER = -6;
    private static final double NAME_MOST = 20;
    private static final double NAME_LEAST = -6;
    private static final double FORM_OTHER = -1.5;
    private static final double FORBIDDEN = -14;
    private static final double NAME_ENOUGH = 8;

    private final Profile asked;
    private final int parties;
    private final ToIntFunction<String> count;
    private final Map<String, Double> weights = new HashMap<>();

    /// @param parties on the ledger
    /// @param count how many of them have a key
    Comparison(Profile asked, int parties, ToIntFunction<String> count) {
        this.asked = asked;
        this.parties = parties;
        this.count = count;
    }

    /// What was found before it is known who else was.
    ///
    /// @param sameName whether the names are the same to the letter, however many have it
    /// @param complete whether the name is explained and says enough, nothing contradicts, and
    ///     something identifies it
    record Found(Profile profile, List<Evidence> evidence, boolean sameName, boolean complete) {
        double bits() {
            return evidence.stream().mapToDouble(Evidence::bits).sum();
        }
    }

    Found with(Profile other) {
        NameComparison name = NameComparison.of(
                asked.name(), other.name(), new Knowledge(this::weight, this::isKnown, word -> isOfBoth(word, other)));
        List<Evidence> evidence = new ArrayList<>();
        evidence.add(tax(other));
        evidence.add(name(name));
        evidence.add(mail(other));
        evidence.add(phone(other));
        evidence.add(place(other));
        boolean explained = name.explained() && !name.forbidden() && name.agrees() >= NAME_ENOUGH;
        boolean complete = explained
                && evidence.stream().noneMatch(Evidence::contradicts)
                && evidence.stream().anyMatch(Evidence::identifies)
                && agreeing(evidence) > differing(evidence);
        return new Found(other, List.copyOf(evidence), name.toTheLetter() && !name.forbidden(), complete);
    }

    /// Beside the name.
    private static long agreeing(List<Evidence> evidence) {
        return evidence.stream()
                .filter(each -> each.topic() != Topic.NAME && each.bits() > 0)
                .filter(each -> each.agreement() == Agreement.SAME
                        || (each.topic() == Topic.ADDRESS && each.agreement() == Agreement.PARTLY))
                .count();
    }

    /// Whoever moves house or changes a number keeps the others: one thing that is the same and one that is
    /// another are as well a branch, or whoever took over.
    private static long differing(List<Evidence> evidence) {
        return evidence.stream()
                .filter(each -> each.topic() != Topic.NAME && isAnother(each))
                .count();
    }

    private static boolean isAnother(Evidence evidence) {
        return evidence.agreement() == Agreement.OTHER
                || (evidence.topic() == Topic.EMAIL && evidence.agreement() == Agreement.PARTLY);
    }

    private double weight(Word word) {
        return weights.computeIfAbsent(
                word.sound(), sound -> Weights.of(word, parties, count.applyAsInt(ProfileKeys.word(sound))));
    }

    private boolean isKnown(Word word) {
        return count.applyAsInt(ProfileKeys.word(word.sound())) >= SEVERAL;
    }

    private boolean isOfBoth(Word word, Profile other) {
        return asked.towns().contains(word.sound()) && other.towns().contains(word.sound());
    }

    private Evidence name(NameComparison name) {
        double bits = Math.clamp(name.says(), NAME_LEAST, NAME_MOST)
                + (name.sameForm() ? 0 : FORM_OTHER)
                + (name.forbidden() ? FORBIDDEN : 0);
        Agreement agreement = name.forbidden()
                ? Agreement.CONTRADICTS
                : name.toTheLetter()
                        ? Agreement.SAME
                        : name.explained() ? Agreement.NEARLY : name.agrees() > 0 ? Agreement.PARTLY : Agreement.OTHER;
        return asked.name().readings().isEmpty()
                ? Evidence.silence(Topic.NAME)
                : new Evidence(Topic.NAME, agreement, bits, 1, false);
    }

    private Evidence tax(Profile other) {
        Agreement agreement = asked.tax().with(other.tax());
        int here = agreement == Agreement.SILENT ? 0 : count.applyAsInt(asked.taxKey());
        int there = agreement == Agreement.SILENT ? 0 : count.applyAsInt(other.taxKey());
        int shared = Math.max(here, there);
        boolean wrong = asked.tax().check() == Check.WRONG || other.tax().check() == Check.WRONG;
        return new Evidence(
                Topic.TAX_IDENTIFIER,
                agreement,
                shared > FEW
                        ? 0
                        : switch (agreement) {
                            case SAME -> less(TAX_SAME, shared);
                            case NEARLY -> TAX_NEARLY;
                            case CONTRADICTS -> wrong ? TAX_OTHER_WITH_WRONG_CHECK : TAX_OTHER;
                            default -> 0;
                        },
                shared,
                isAlone(agreement, shared));
    }

    private static boolean isAlone(Agreement agreement, int shared) {
        return agreement == Agreement.SAME && shared == 1;
    }

    private Evidence mail(Profile other) {
        Agreement agreement = asked.mail().with(other.mail());
        int shared = agreement == Agreement.SILENT ? 0 : count.applyAsInt(other.mailKey());
        int houses = agreement == Agreement.PARTLY ? count.applyAsInt(other.houseKey()) : 0;
        double bits = shared > FEW
                ? 0
                : switch (agreement) {
                    case SAME -> repeatsName() ? MAIL_OF_A_NAME : less(MAIL_SAME, shared);
                    case NEARLY -> MAIL_NEARLY;
                    case PARTLY -> houses > FEW ? 0 : less(MAIL_HOUSE, houses);
                    case OTHER ->
                        asked.mail().isOwnHouse() && other.mail().isOwnHouse() ? MAIL_OTHER_HOUSE : MAIL_OTHER;
                    default -> 0;
                };
        return new Evidence(
                Topic.EMAIL, agreement, bits, Math.max(shared, houses), isAlone(agreement, shared) && !repeatsName());
    }

    /// Where anybody may have a box, one that is no more than the name tells namesakes apart no better than
    /// the name.
    private boolean repeatsName() {
        boolean isOpen = !asked.mail().isOwnHouse() || count.applyAsInt(asked.houseKey()) > FEW;
        return isOpen && asked.mail().repeats(asked.name());
    }

    private Evidence phone(Profile other) {
        Agreement agreement = asked.phone().with(other.phone());
        int shared = agreement == Agreement.SILENT ? 0 : count.applyAsInt(other.phoneKey());
        double bits = shared > FEW
                ? 0
                : switch (agreement) {
                    case SAME -> less(PHONE_SAME, shared);
                    case NEARLY -> PHONE_NEARLY;
                    case OTHER -> PHONE_OTHER;
                    default -> 0;
                };
        return new Evidence(Topic.PHONE, agreement, bits, shared, isAlone(agreement, shared));
    }

    /// Of all their addresses the two that agree most.
    private Evidence place(Profile other) {
        Evidence best = null;
        for (Place here : asked.places()) {
            for (Place there : other.places()) {
                Evidence each = place(here, there);
                best = best == null || each.bits() > best.bits() ? each : best;
            }
        }
        return best == null ? Evidence.silence(Topic.ADDRESS) : best;
    }

    private Evidence place(Place here, Place there) {
        Agreement agreement = here.with(there);
        boolean sameZone = !here.zone().isEmpty() && here.zone().equals(there.zone());
        int shared = agreement == Agreement.SAME ? Math.max(1, count.applyAsInt(ProfileKeys.address(there))) : 0;
        double bits = switch (agreement) {
            case SAME -> less(isOneHouse(here, there) ? HOUSE_SAME : STREET_SAME, shared);
            case PARTLY -> sameZone ? ZONE_SAME : town(there);
            case OTHER -> OTHER_HOUSE_IN_TOWN;
            case CONTRADICTS ->
                here.country().equals(there.country())
                                || here.country().isEmpty()
                                || there.country().isEmpty()
                        ? TOWN_OTHER
                        : COUNTRY_OTHER;
            default -> 0;
        };
        // A street without a number is where many may be.
        return new Evidence(
                Topic.ADDRESS, agreement, bits, shared, isAlone(agreement, shared) && isOneHouse(here, there));
    }

    private static boolean isOneHouse(Place here, Place there) {
        return !here.numbers().isEmpty() && here.numbers().equals(there.numbers());
    }

    private double town(Place there) {
        return Math.clamp(Weights.bits(parties, count.applyAsInt(ProfileKeys.town(there)), true), 1, MOST_OF_A_TOWN);
    }

    private static double less(double bits, int shared) {
        return shared > FEW ? 0 : bits - 2 * Math.log(Math.max(1, shared)) / Math.log(2);
    }
}
