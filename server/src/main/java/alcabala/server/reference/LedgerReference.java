package alcabala.server.reference;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.DayRates;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerDimension;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.ledger.NameRules;
import alcabala.accounting.party.Party;
import alcabala.accounting.tax.TaxRounding;
import alcabala.accounting.terms.CodedTerms;
import alcabala.connectors.ledger.LedgerCompany;
import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// What the ledger owns, as last pulled: read-only here.
@Component
public class LedgerReference {
    private final JdbcClient jdbc;
    private final NamedParameterJdbcTemplate template;
    private final JsonMapper json;
    private final AddedThere added;

    LedgerReference(JdbcClient jdbc, NamedParameterJdbcTemplate template, JsonMapper json, AddedThere added) {
        this.added = added;
        this.jdbc = jdbc;
        this.template = template;
        this.json = json;
    }

    private static final String ACCOUNT =
            "select code, name, type, active from ledger_account where ledger_id = :id and not gone";

    /// A party with the ledger's version since it was created there.
    public record Kept(long version, Party party) {}

    /// One that was created there just now; who resembles it is asked about from now on. One at a time, so that
    /// versions are in the order in which others see them: whoever keeps one does it last in its transaction.
    public void keep(long ledgerId, Party party) {
        long version = jdbc.sql("""
                with alone as (select id from ledger where id = :id for no key update)
                update ledger set kept_version = nextval('state_version') where id = (select id from alone) returning kept_version""").param("id", ledgerId).query(Long.class).single();
        template.update(
                PARTY,
                row(ledgerId, party.code(), party.name(), party.active())
                        .addValue("body", json.writeValueAsString(party))
                        .addValue("version", version));
    }

    /// One that was there, as it is by now. Whom it resembles is made out anew.
    public void rewritten(long ledgerId, Party party) {
        keep(ledgerId, party);
        jdbc.sql("update ledger set version = nextval('state_version') where id = :id")
                .param("id", ledgerId)
                .update();
    }

    public long keptVersion(long ledgerId) {
        return jdbc.sql("select kept_version from ledger where id = :id")
                .param("id", ledgerId)
                .query(Long.class)
                .single();
    }

    /// What came to a ledger's parties.
    ///
    /// @param version another after each pull that brought changes
    /// @param kept those created there, in their order
    public record News(long version, List<Kept> kept) {}

    /// @param since the version of a party created there; those after it are told
    public News news(long ledgerId, long since) {
        List<Kept> kept = new ArrayList<>();
        AtomicLong version = new AtomicLong();
        jdbc.sql("""
                select l.version, p.kept_version, p.body
                from ledger l left join ledger_party p
                    on p.ledger_id = l.id and p.kept and p.kept_version > :since and not p.gone
                where l.id = :id order by p.kept_version""").param("id", ledgerId).param("since", since).query(row -> {
            version.set(row.getLong("version"));
            if (row.getString("body") != null) {
                Party party = json.readValue(row.getString("body"), Party.class);
                kept.add(new Kept(row.getLong("kept_version"), party));
            }
        });
        return new News(version.get(), kept);
    }

    public LedgerProfile profile(long ledgerId) {
        List<LedgerAccount> accounts = accounts(ledgerId);
        List<LedgerTaxCode> taxCodes = taxCodes(ledgerId);
        Map<String, LedgerDimension> dimensions = dimensions(ledgerId);
        DayRates rates = rates(ledgerId);
        Map<String, CodedTerms> terms =
                added.terms(ledgerId).stream().collect(Collectors.toMap(CodedTerms::code, Function.identity()));
        Map<String, CustomField> fields =
                added.fields(ledgerId).stream().collect(Collectors.toMap(CustomField::code, Function.identity()));
        return jdbc.sql("""
                select name, currency, tax_rounding, name_limit, name_forbids, one_tax_code, 'multi-currency' = any(features) as multi,
                    :decides = any(features) as decides, :below = any(features) as below
                from ledger where id = :id""")
                .param("id", ledgerId)
                .param("decides", LedgerCompany.DECIDES_TAX)
                .param("below", LedgerCompany.SUB_PARTIES)
                .query((row, n) -> new LedgerProfile(
                        row.getString("name"),
                        CurrencyUnit.of(row.getString("currency")),
                        row.getBoolean("multi"),
                        rates,
                        TaxRounding.valueOf(row.getString("tax_rounding")),
                        accounts.stream().collect(Collectors.toMap(LedgerAccount::code, Function.identity())),
                        taxCodes.stream().collect(Collectors.toMap(LedgerTaxCode::code, Function.identity())),
                        dimensions,
                        new NameRules(row.getInt("name_limit"), row.getString("name_forbids")),
                        terms,
                        fields,
                        row.getBoolean("below"),
                        row.getBoolean("one_tax_code"),
                        row.getBoolean("decides")))
                .single();
    }

    public List<LedgerAccount> accounts(long ledgerId) {
        return jdbc.sql(ACCOUNT + " order by code")
                .param("id", ledgerId)
                .query(LedgerReference::account)
                .list();
    }

    public Optional<LedgerAccount> findAccount(long ledgerId, String code) {
        return jdbc.sql(ACCOUNT + " and code = :code")
                .param("id", ledgerId)
                .param("code", code)
                .query(LedgerReference::account)
                .optional();
    }

    private static LedgerAccount account(ResultSet row, int n) throws SQLException {
        return new LedgerAccount(
                row.getString("code"),
                row.getString("name"),
                AccountType.valueOf(row.getString("type")),
                row.getBoolean("active"));
    }

    /// Names of accounts by their codes.
    public Map<String, String> accountNames(long ledgerId) {
        return accounts(ledgerId).stream().collect(Collectors.toMap(LedgerAccount::code, LedgerAccount::name));
    }

    /// The last day that the ledger has locked; long ago where it has locked none.
    public LocalDate lockedThrough(long ledgerId) {
        return jdbc.sql("select coalesce(locked_through, '2000-01-01') from ledger where id = :id")
                .param("id", ledgerId)
                .query(LocalDate.class)
                .single();
    }

    public List<LedgerTaxCode> taxCodes(long ledgerId) {
        return jdbc.sql("""
                select code, name, rate, category, both_sides, deductible, account, input_account, active from ledger_tax_code where ledger_id = :id and not gone order by code""")
                .param("id", ledgerId)
                .query((row, n) -> new LedgerTaxCode(
                        row.getString("code"),
                        row.getString("name"),
                        row.getBigDecimal("rate"),
                        TaxCategory.valueOf(row.getString("category")),
                        row.getBoolean("both_sides"),
                        row.getBigDecimal("deductible"),
                        row.getString("account"),
                        row.getString("input_account"),
                        row.getBoolean("active")))
                .list();
    }

    /// By their codes, with the values that are in use; none when the ledger has none, or has them switched off.
    public Map<String, LedgerDimension> dimensions(long ledgerId) {
        record Value(String dimension, String dimensionName, String value) {}
        Map<String, LedgerDimension> dimensions = new TreeMap<>();
        jdbc.sql("""
                select dimension, dimension_name, value from ledger_dimension
                where ledger_id = :id and active and not gone order by code""")
                .param("id", ledgerId)
                .query(Value.class)
                .list()
                .forEach(row -> dimensions
                        .computeIfAbsent(
                                row.dimension(),
                                code -> new LedgerDimension(code, row.dimensionName(), new TreeSet<>()))
                        .values()
                        .add(row.value()));
        return dimensions;
    }

    /// Those that the ledger keeps; it may keep none.
    public DayRates rates(long ledgerId) {
        record Rate(String currency, LocalDate day, BigDecimal rate) {}
        Map<CurrencyUnit, NavigableMap<LocalDate, BigDecimal>> rates = new HashMap<>();
        jdbc.sql("select currency, day, rate from ledger_rate where ledger_id = :id and not gone")
                .param("id", ledgerId)
                .query(Rate.class)
                .list()
                .forEach(rate -> rates.computeIfAbsent(CurrencyUnit.of(rate.currency()), currency -> new TreeMap<>())
                        .put(rate.day(), rate.rate()));
        return new DayRates(rates);
    }

    public List<Party> parties(long ledgerId) {
        return parties(ledgerId, "");
    }

    /// Those that the ledger told of.
    public List<Party> pulledParties(long ledgerId) {
        return parties(ledgerId, " and not kept");
    }

    /// Those created there since.
    public List<Party> createdParties(long ledgerId) {
        return parties(ledgerId, " and kept");
    }

    private List<Party> parties(long ledgerId, String which) {
        return jdbc
                .sql("select body from ledger_party where ledger_id = :id and not gone" + which + " order by name")
                .param("id", ledgerId)
                .query(String.class)
                .list()
                .stream()
                .map(body -> json.readValue(body, Party.class))
                .toList();
    }

    public boolean hasParty(long ledgerId, String code) {
        return jdbc.sql(
                        "select exists (select 1 from ledger_party where ledger_id = :id and code = :code and not gone)")
                .param("id", ledgerId)
                .param("code", code)
                .query(Boolean.class)
                .single();
    }

    public Optional<String> findPartyName(long ledgerId, String code) {
        return jdbc.sql("select name from ledger_party where ledger_id = :id and code = :code and not gone")
                .param("id", ledgerId)
                .param("code", code)
                .query(String.class)
                .optional();
    }

    /// By their codes, as far as there are such parties.
    public Map<String, String> partyNames(long ledgerId, Collection<String> codes) {
        return names("ledger_party", ledgerId, codes);
    }

    /// By their codes, as far as there are such accounts.
    public Map<String, String> accountNames(long ledgerId, Collection<String> codes) {
        return names("ledger_account", ledgerId, codes);
    }

    private Map<String, String> names(String table, long ledgerId, Collection<String> codes) {
        Map<String, String> names = new HashMap<>();
        jdbc.sql("select code, name from " + table + " where ledger_id = :id and code = any(:codes) and not gone")
                .param("id", ledgerId)
                .param("codes", codes.toArray(String[]::new))
                .query((row, n) -> names.put(row.getString("code"), row.getString("name")))
                .list();
        return names;
    }

    private static MapSqlParameterSource row(long ledgerId, String code, String name, boolean active) {
        return new MapSqlParameterSource("ledger", ledgerId)
                .addValue("code", code)
                .addValue("name", name)
                .addValue("active", active);
    }

    private static final String PARTY = """
            insert into ledger_party as t (ledger_id, code, name, body, active, kept, kept_version)
            values (:ledger, :code, :name, cast(:body as jsonb), :active, true, :version)
            on conflict (ledger_id, code) do update set kept_version = excluded.kept_version, name = excluded.name, body = excluded.body, active = excluded.active, gone = false
            where (t.body, t.active) is distinct from (excluded.body, excluded.active)""";
}
