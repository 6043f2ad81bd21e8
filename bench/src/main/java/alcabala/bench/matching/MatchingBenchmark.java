package alcabala.bench.matching;

import alcabala.accounting.matching.Candidate;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Party;
import alcabala.bench.matching.Entity.Kind;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/// How many parties are matched rightly, how many wrongly and how many not, and how long it takes as they
/// grow. Writes `docs/matching.md`.
public final class MatchingBenchmark {
    private static final Path REPORT = Path.of("docs/matching.md");
    private static final int LABELLED = 20_000;
    private static final long SEED = 20261127;
    private static final int[] SIZES = {12_500, 25_000, 50_000};
    private static final int SHOWN = 3;

    private MatchingBenchmark() {}

    private record Outcome(Party asked, Kind kind, boolean known, List<Candidate> candidates, int place) {
        boolean certain() {
            return !candidates.isEmpty() && candidates.getFirst().certain();
        }

        boolean right() {
            return certain() && place == 0;
        }

        boolean wrong() {
            return certain() && place != 0;
        }
    }

    private record Grown(int size, double seconds, long megabytes) {}

    public static void run() {
        List<Outcome> outcomes = match(LabelledParties.of(LABELLED, SEED));
        List<Grown> growth =
                IntStream.of(SIZES).mapToObj(MatchingBenchmark::grown).toList();
        String report = report(outcomes, growth);
        try {
            Files.writeString(REPORT, report);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        System.out.print(report);
    }

    private static List<Outcome> match(LabelledParties parties) {
        PartyMatcher matcher = new PartyMatcher(parties.ledger());
        return matcher.rankAll(parties.source()).entrySet().stream()
                .map(each -> outcome(parties, each.getKey(), each.getValue()))
                .toList();
    }

    private static Outcome outcome(LabelledParties parties, Party asked, List<Candidate> candidates) {
        var right = parties.ledgerOf().get(asked.code());
        int place = IntStream.range(0, candidates.size())
                .filter(i -> right.contains(candidates.get(i).party().code()))
                .findFirst()
                .orElse(-1);
        return new Outcome(asked, parties.kindOf().get(asked.code()), !right.isEmpty(), candidates, place);
    }

    /// Of three: what else the machine does only makes it slower.
    private static Grown fastest(int size) {
        return IntStream.range(0, 3)
                .mapToObj(again -> grown(size))
                .min(Comparator.comparingDouble(Grown::seconds))
                .orElseThrow();
    }

    private static Grown grown(int size) {
        LabelledParties parties = LabelledParties.of(size, SEED + size);
        System.gc();
        Runtime machine = Runtime.getRuntime();
        long before = machine.totalMemory() - machine.freeMemory();
        long start = System.nanoTime();
        PartyMatcher matcher = new PartyMatcher(parties.ledger());
        var ranked = matcher.rankAll(parties.source());
        double seconds = (System.nanoTime() - start) / 1e9;
        System.gc();
        long after = machine.totalMemory() - machine.freeMemory();
        if (ranked.size() != size || matcher.rank(parties.source().getFirst()).size() > 5) {
            throw new IllegalStateException("not everybody was matched");
        }
        return new Grown(size, seconds, (after - before) / (1024 * 1024));
    }

    private static String report(List<Outcome> outcomes, List<Grown> growth) {
        List<Outcome> known = outcomes.stream().filter(Outcome::known).toList();
        List<Outcome> fresh = outcomes.stream().filter(each -> !each.known()).toList();
        long certain = outcomes.stream().filter(Outcome::certain).count();
        long right = outcomes.stream().filter(Outcome::right).count();
        double exponent = Math.log(
                        growth.getLast().seconds() / growth.getFirst().seconds())
                / Math.log((double) growth.getLast().size() / growth.getFirst().size());
        List<String> lines = new ArrayList<>(List.of(
                "# Matching of parties, measured",
                "",
                "Made by `./alcabala bench matching`; do not edit. " + LABELLED
                        + " parties of a source against as many of a"
                        + " ledger, all invented by a seeded generator: three in ten are not on the ledger, one in five is a"
                        + " hard case.",
                "",
                "| | measured | wanted |",
                "|---|---:|---:|",
                row("of what is certain, right", share(right, certain), "at least 99.5 %"),
                row("of known parties, certain and right", share(right, known.size()), "at least 60 %"),
                row(
                        "of known parties, among the first three",
                        share(
                                known.stream()
                                        .filter(each -> each.place() >= 0 && each.place() < SHOWN)
                                        .count(),
                                known.size()),
                        "at least 96 %"),
                row(
                        "of known parties, called new",
                        share(
                                known.stream()
                                        .filter(each -> each.candidates().isEmpty())
                                        .count(),
                                known.size()),
                        "at most 3 %"),
                row(
                        "of new parties, asked about",
                        share(
                                fresh.stream()
                                        .filter(each -> !each.candidates().isEmpty())
                                        .count(),
                                fresh.size()),
                        "at most 40 %"),
                "",
                "## By difficulty",
                "",
                "| | known | certain | right of them | among three | called new | new | asked about |",
                "|---|---:|---:|---:|---:|---:|---:|---:|"));
        outcomes.stream().collect(Collectors.groupingBy(Outcome::kind)).entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(each -> lines.add(byKind(each.getKey(), each.getValue())));
        lines.addAll(List.of(
                "",
                "## Time and room",
                "",
                "| parties on each side | seconds, the best of three | MB kept |",
                "|---:|---:|---:|"));
        growth.forEach(
                each -> lines.add("| %,d | %.1f | %d |".formatted(each.size(), each.seconds(), each.megabytes())));
        lines.add("");
        lines.add("It grows with the power %.2f of their number (wanted: at most 1.25; 50,000 in under 90 s)."
                .formatted(exponent));
        lines.addAll(List.of("", "## What was certain and wrong", ""));
        outcomes.stream()
                .filter(Outcome::wrong)
                .sorted(Comparator.comparing(Outcome::kind))
                .limit(40)
                .forEach(each -> lines.add("- " + inWords(each.kind()) + ": " + said(each.asked()) + " was taken for "
                        + said(each.candidates().getFirst().party())));
        lines.add("");
        return String.join("\n", lines);
    }

    private static String byKind(Kind kind, List<Outcome> all) {
        List<Outcome> known = all.stream().filter(Outcome::known).toList();
        List<Outcome> fresh = all.stream().filter(each -> !each.known()).toList();
        long certain = all.stream().filter(Outcome::certain).count();
        long right = all.stream().filter(Outcome::right).count();
        return "| %s | %d | %s | %s | %s | %s | %d | %s |"
                .formatted(
                        inWords(kind),
                        known.size(),
                        share(right, known.size()),
                        share(right, certain),
                        share(
                                known.stream()
                                        .filter(each -> each.place() >= 0 && each.place() < SHOWN)
                                        .count(),
                                known.size()),
                        share(
                                known.stream()
                                        .filter(each -> each.candidates().isEmpty())
                                        .count(),
                                known.size()),
                        fresh.size(),
                        share(
                                fresh.stream()
                                        .filter(each -> !each.candidates().isEmpty())
                                        .count(),
                                fresh.size()));
    }

    private static String row(String what, String measured, String wanted) {
        return "| " + what + " | " + measured + " | " + wanted + " |";
    }

    private static String share(long part, long whole) {
        return whole == 0 ? "–" : "%.2f %%".formatted(100.0 * part / whole);
    }

    private static String inWords(Kind kind) {
        return kind.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private static String said(Party party) {
        return "“%s” (%s; %s; %s; %s, %s)"
                .formatted(
                        party.name(),
                        party.taxIdentifier(),
                        party.email(),
                        party.phone(),
                        party.billTo().street(),
                        party.billTo().city());
    }
}
