package alcabala.bench.matching;

import alcabala.accounting.party.Party;
import alcabala.bench.matching.Entity.Kind;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;

/// Parties of a source and of a ledger with which is which. Of the source's three in ten are not on the
/// ledger, and one in five is a hard case.
///
/// @param ledgerOf the codes on the ledger of each party of the source; none for a new one, two for one that
/// is there
///     twice
record LabelledParties(
        List<Party> source, List<Party> ledger, Map<String, Set<String>> ledgerOf, Map<String, Kind> kindOf) {
    private static final double KNOWN = 0.7;
    private static final double HARD = 0.2;

    static LabelledParties of(int size, long seed) {
        return new Making(size, new Random(seed)).made();
    }

    private static final class Making {
        private final int size;
        private final Random random;
        private final Words words;
        private final Entities entities;
        private final Damage damage;
        private final List<Party> source = new ArrayList<>();
        private final List<Party> ledger = new ArrayList<>();
        private final Map<String, Set<String>> ledgerOf = new HashMap<>();
        private final Map<String, Kind> kindOf = new HashMap<>();

        Making(int size, Random random) {
            this.size = size;
            this.random = random;
            words = new Words(random);
            entities = new Entities(random, words);
            damage = new Damage(random, entities);
        }

        LabelledParties made() {
            Kind[] hard = Kind.values();
            while (source.size() < size) {
                boolean known = random.nextDouble() < KNOWN;
                if (random.nextDouble() < HARD) {
                    hard(hard[1 + random.nextInt(hard.length - 1)], known);
                } else {
                    add(entities.any(), known);
                }
            }
            while (ledger.size() < size) {
                onLedger(entities.any());
            }
            Collections.shuffle(ledger, random);
            return new LabelledParties(source.subList(0, size), ledger, ledgerOf, kindOf);
        }

        private void add(Entity entity, boolean known) {
            String code = "S" + source.size();
            source.add(damage.written(code, entity));
            kindOf.put(code, entity.kind());
            ledgerOf.put(code, known ? Set.of(onLedger(entity)) : Set.of());
        }

        private String onLedger(Entity entity) {
            String code = "L" + ledger.size();
            ledger.add(damage.written(code, entity));
            return code;
        }

        private void hard(Kind kind, boolean known) {
            switch (kind) {
                case GROUP_WITH_ONE_TAX_NUMBER -> {
                    Entity one = entities.firm().as(kind);
                    add(one, true);
                    add(entities.firm().as(kind).taxed(one.tax()), known);
                    onLedger(entities.firm().as(kind).taxed(one.tax()));
                }
                case BRANCH -> {
                    Entity one = entities.firm().as(kind);
                    for (int i = 0; i < 3; i++) {
                        add(
                                one.at(entities.street(), entities.town(), entities.zone())
                                        .reached(
                                                i == 0 ? one.mail() : one.mail().replace("@", i + "@"),
                                                entities.phone()),
                                i > 0 || known);
                    }
                }
                case NEW_OWNER -> {
                    Entity before = entities.firm().as(kind);
                    onLedger(before);
                    add(
                            before.taxed(entities.tax(before.country()))
                                    .reached(entities.firm().mail(), entities.phone()),
                            false);
                }
                case GENERATION -> {
                    Entity father = entities.person().as(kind);
                    Entity son = father.named(father.name() + (random.nextBoolean() ? " Jr" : " junior"))
                            .reached("j" + father.mail(), father.phone());
                    onLedger(father);
                    add(son, known);
                }
                case NUMBERED -> {
                    Entity one = entities.firm().as(kind);
                    String[] marks = random.nextBoolean() ? new String[] {" II", " III"} : new String[] {" 3", " 4"};
                    onLedger(one.named(one.name() + marks[0]));
                    Entity other = one.named(one.name() + marks[1]).taxed(entities.tax(one.country()));
                    add(
                            random.nextBoolean()
                                    ? other
                                    : other.reached(entities.firm().mail(), entities.phone()),
                            known);
                }
                case SHARED_CONTACT -> {
                    Entity one = entities.any().as(kind);
                    onLedger(one);
                    add(entities.any().as(kind).reached(one.mail(), one.phone()), known);
                }
                case TWICE_ON_THE_LEDGER -> {
                    Entity one = entities.any().as(kind);
                    add(one, true);
                    String code = "S" + (source.size() - 1);
                    ledgerOf.put(code, Set.of(ledgerOf.get(code).iterator().next(), onLedger(one)));
                }
                case NAMESAKE -> {
                    Entity one = entities.person().as(kind);
                    onLedger(one);
                    Entity other = entities.person();
                    add(
                            random.nextBoolean()
                                    ? other.named(one.name()).as(kind)
                                    : other.as(kind)
                                            .named(words.given()
                                                    + one.name()
                                                            .substring(
                                                                    one.name().indexOf(' ')))
                                            .at(entities.street(), one.town(), one.zone()),
                            known);
                }
                case UMLAUT -> {
                    Entity one = entities.any().as(kind);
                    add(one.named(one.name().replace("u", "ü").replace("o", "ö")), known);
                }
                case TRADING_AS -> {
                    Entity firm = entities.firm().as(kind);
                    add(firm.named(entities.person().name() + " t/a " + firm.name()), known);
                }
                case FORMER_NAME -> {
                    Entity person = entities.person().as(kind);
                    add(person.named(person.name() + " née " + words.often(words.surnames)), known);
                }
                case INITIALS, WORD_ORDER -> add(entities.person().as(kind), known);
                default -> add(entities.firm().as(kind), known);
            }
        }
    }
}
