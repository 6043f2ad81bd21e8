package alcabala.accounting.matching.evidence;

/// What one thing that is known of two parties says about whether they are one.
///
/// @param bits how much more often it is so with two that are one than with two that are not, as a power of two;
///     below 0 it speaks against
/// @param shared by how many on the ledger; more than one says less, and more than a few nothing
/// @param identifies whether this alone tells one party from all others there
public record Evidence(Topic topic, Agreement agreement, double bits, int shared, boolean identifies) {
    /// What is compared.
    public enum Topic {
        TAX_IDENTIFIER,
        NAME,
        EMAIL,
        PHONE,
        ADDRESS
    }

    /// How much it says, as people would.
    public enum Strength {
        DECIDES_MUCH(10),
        STRONG(7),
        FAIR(3),
        SLIGHT(0.5),
        NOTHING(-0.4),
        SOMEWHAT_AGAINST(-3),
        AGAINST(-7),
        MUCH_AGAINST(Double.NEGATIVE_INFINITY);

        private final double atLeast;

        Strength(double atLeast) {
            this.atLeast = atLeast;
        }

        static Strength of(double bits) {
            for (Strength each : values()) {
                if (bits >= each.atLeast) {
                    return each;
                }
            }
            throw new IllegalArgumentException("not a number of bits: " + bits);
        }
    }

    public Strength strength() {
        return Strength.of(bits);
    }

    /// Where nothing is known on one of the sides.
    public static Evidence silence(Topic topic) {
        return new Evidence(topic, Agreement.SILENT, 0, 0, false);
    }

    /// Whether this is hardly ever so with two that are one.
    public boolean contradicts() {
        return agreement == Agreement.CONTRADICTS && bits < 0;
    }
}
