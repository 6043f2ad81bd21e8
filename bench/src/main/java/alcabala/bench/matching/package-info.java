/// How well and how fast parties are matched, on labelled parties of a seeded generator. Start with
/// MatchingBenchmark.
package alcabala.bench.matching;
