package alcabala.accounting.setting;

import alcabala.accounting.field.Half;
import alcabala.accounting.field.MasterField;
import alcabala.accounting.ledger.AccountType;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/// What can be decided about a route, once for all of it or for each kind of record, with the values that it takes and
/// the one that holds until somebody decides (domain, sections 3, 4 and 5). What each does is said at the edge.
public enum Topic {
    SALES_TAX(Section.TAX, choice("as-mapped", "off"), "as-mapped", Carried.SALES),
    UNSTATED_TAX(Section.TAX, new Shape.TaxCode(), ""),
    PURCHASE_TAX(Section.TAX, choice("reclaimed", "in-cost"), "reclaimed", Carried.PURCHASES),
    UNSTATED_PURCHASE_TAX(Section.TAX, new Shape.TaxCode(), ""),
    RECEIVING_BANK(Section.MONEY, new Shape.Account(AccountType.BANK), ""),
    PAYING_BANK(Section.MONEY, new Shape.Account(AccountType.BANK), ""),
    DISCOUNT_TAX(Section.MONEY, choice("reduced", "kept"), "reduced"),
    PAYMENT_DIFFERENCE(Section.MONEY, new Shape.Count(), ""),
    NUMBERED_BY(Section.NUMBERS, choice("source", "ledger"), "source"),
    NUMBER_PREFIX(Section.NUMBERS, new Shape.Prefix(), ""),
    /// Where the ledger begins to number a kind of sale.
    FIRST_NUMBER(Section.NUMBERS, new Shape.Count(), "") {
        @Override
        public List<Carried> concerns() {
            return List.of(Carried.INVOICES, Carried.CREDIT_NOTES);
        }
    },
    /// Which way a kind of record travels.
    DIRECTION(Section.CROSSING, choice("none", "to-ledger"), "none") {
        @Override
        public List<Carried> concerns() {
            return Stream.concat(KINDS.stream(), Carried.MASTERS.stream()).toList();
        }

        @Override
        Shape shape(Carried of) {
            return switch (of) {
                case INVOICES, CREDIT_NOTES -> choice("to-ledger", "both", "from-ledger", "none");
                case PAYMENTS -> choice("from-ledger", "to-ledger", "both", "none");
                case PARTIES, ITEMS -> choice("none", "to-ledger", "from-ledger", "both");
                case BILLS, SUPPLIER_CREDITS, PAYMENTS_OUT, EVERYTHING -> super.shape(of);
            };
        }

        @Override
        String standard(Carried of) {
            return ((Shape.Choice) shape(of)).words().getFirst();
        }
    },
    /// What has to happen before one of a kind is ready, and whether it then goes by itself.
    TRIGGER(Section.CROSSING, choice("batch", "by-hand", "approved"), "batch") {
        @Override
        public List<Carried> concerns() {
            return KINDS;
        }

        @Override
        Shape shape(Carried of) {
            return of.isSale() && of.isDocument()
                    ? choice("batch", "by-hand", "approved", "finished", "sent", "paid")
                    : super.shape(of);
        }
    },
    /// The first day whose records of a kind cross.
    CUT_OFF(Section.CROSSING, new Shape.Day(), "") {
        @Override
        public List<Carried> concerns() {
            return KINDS;
        }
    },
    /// Who wins when a document was changed on the ledger, or a field of a master on both sides that nobody owns.
    WINNER(Section.CROSSING, choice("ask", "source", "ledger", "latest"), "ask") {
        @Override
        public List<Carried> concerns() {
            return Stream.concat(KINDS.stream().filter(Carried::isDocument), Carried.MASTERS.stream())
                    .toList();
        }
    },
    /// What becomes of masters that only the ledger has, where they travel from it.
    SOURCE_LACKS(Section.CROSSING, choice("leave", "create"), "leave") {
        @Override
        public List<Carried> concerns() {
            return Carried.MASTERS;
        }
    },
    /// Whose a field of a master is.
    OWNER_OF_NAME(Carried.PARTIES, Carried.ITEMS),
    OWNER_OF_TAX_IDENTIFIER(Carried.PARTIES),
    OWNER_OF_E_MAIL(Carried.PARTIES),
    OWNER_OF_PHONE(Carried.PARTIES),
    OWNER_OF_BILL_TO(Carried.PARTIES),
    OWNER_OF_SHIP_TO(Carried.PARTIES),
    OWNER_OF_TERMS(Carried.PARTIES),
    OWNER_OF_UNIT(Carried.ITEMS),
    OWNER_OF_KIND(Carried.ITEMS),
    /// Whose a field of a document is: who wins where the ledger changed it, whoever wins otherwise.
    OWNER_OF_PARTY(Carried.DOCUMENTS),
    OWNER_OF_ISSUE_DATE(Carried.DOCUMENTS),
    OWNER_OF_DUE_DATE(Carried.DOCUMENTS),
    OWNER_OF_LINES(Carried.DOCUMENTS),
    /// Who of the source is a customer on the ledger.
    CUSTOMERS(Section.CROSSING, choice("organisation", "with-contacts", "project", "sub-project"), "organisation"),
    NEW_PARTIES(Section.CROSSING, choice("create", "ask"), "create"),
    ARRIVAL(Section.DOCUMENT, choice("final", "draft"), "final", Carried.DOCUMENTS),
    DOCUMENT_DATE(Section.DOCUMENT, choice("own", "delivery", "batch"), "own", Carried.DOCUMENTS),
    LINE_DETAIL(Section.DOCUMENT, choice("each-line", "by-account"), "each-line", Carried.DOCUMENTS),
    LINE_KIND(Section.DOCUMENT, choice("items", "accounts"), "items", Carried.SALES),
    ITEM_NAMES(Section.DOCUMENT, choice("no", "yes"), "no", Carried.DOCUMENTS),
    LINE_NOTES(Section.DOCUMENT, choice("no", "yes"), "no", Carried.DOCUMENTS),
    WORK_DESCRIPTION(Section.DOCUMENT, choice("no", "yes"), "no", Carried.DOCUMENTS),
    E_MAIL(Section.DOCUMENT, choice("no", "yes"), "no", Carried.SALES);

    private static final String OWNER_OF = "OWNER_OF_";
    private static final List<Carried> KINDS = Stream.of(Carried.values())
            .filter(Carried::hasRecords)
            .filter(carried -> carried != Carried.EVERYTHING)
            .toList();
    private final Section section;
    private final Shape shape;
    private final String standard;
    private final List<Carried> apart;
    private final List<Carried> concerns;

    Topic(Section section, Shape shape, String standard) {
        this(section, shape, standard, List.of());
    }

    /// @param apart the kinds that can differ in it from what is decided for everything
    Topic(Section section, Shape shape, String standard, List<Carried> apart) {
        this.section = section;
        this.shape = shape;
        this.standard = standard;
        this.apart = apart;
        concerns = Stream.concat(Stream.of(Carried.EVERYTHING), apart.stream()).toList();
    }

    /// Whose a field is.
    Topic(Carried... kinds) {
        this(List.of(kinds));
    }

    Topic(List<Carried> kinds) {
        section = Section.CROSSING;
        shape = choice("nobody", "source", "ledger");
        standard = "nobody";
        apart = List.of();
        concerns = kinds;
    }

    public Section section() {
        return section;
    }

    /// The kinds for each of which it is decided; [Carried#EVERYTHING] where it is decided once.
    public List<Carried> concerns() {
        return concerns;
    }

    /// Whether it says whose a field is.
    public boolean isOwner() {
        return name().startsWith(OWNER_OF);
    }

    /// By which it is decided whose a field of a master is.
    public static Topic ownerOf(MasterField field) {
        return valueOf(OWNER_OF + field.code().toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    /// By which it is decided whose a field of a document is, as a half of a baseline names it; what it comes to
    /// follows from its lines. Empty where nobody owns it.
    public static Optional<Topic> findOwnerOf(String field) {
        if (Half.isLine(field)) {
            return Optional.of(OWNER_OF_LINES);
        }
        return switch (field) {
            case Half.GROSS, Half.TAX -> Optional.of(OWNER_OF_LINES);
            case Half.PARTY -> Optional.of(OWNER_OF_PARTY);
            case Half.ISSUE_DATE -> Optional.of(OWNER_OF_ISSUE_DATE);
            case Half.DUE_DATE -> Optional.of(OWNER_OF_DUE_DATE);
            default -> Optional.empty();
        };
    }

    /// Whether a kind only says in what it differs: an empty value is as for everything.
    boolean isApart(Carried of) {
        return apart.contains(of);
    }

    Shape shape(Carried of) {
        return isApart(of) ? ((Shape.Choice) shape).orNone() : shape;
    }

    /// The value that holds until somebody decides.
    String standard(Carried of) {
        return isApart(of) ? "" : standard;
    }

    private static Shape choice(String... words) {
        return new Shape.Choice(List.of(words));
    }
}
