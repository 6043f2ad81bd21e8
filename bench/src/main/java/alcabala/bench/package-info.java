/// Benchmarks: the computation by JMH, the whole program on a real database. Start with Benchmarks.
package alcabala.bench;
