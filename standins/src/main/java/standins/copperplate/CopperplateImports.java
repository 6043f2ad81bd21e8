package standins.copperplate;

import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.copperplate.ImportRow.RefusedException;

/// Takes files: each reference becomes an entry or is refused for itself. Parties that it does not know it creates
/// without a word; accounts and tax codes it never does. It does not remember what it imported before: a file that is
/// put
/// on the desk twice is booked twice.
@Component
public class CopperplateImports {
    private static final String STRICT = "whole file or nothing";
    private final JdbcClient jdbc;
    private final CopperplateRegister register;
    private final Clock clock;

    public record Imported(int id, String file, String layout, String at, int accepted, int refused) {}

    /// What became of one reference.
    public record Outcome(
            String delivery,
            String reference,
            boolean accepted,
            String entry,
            String party,
            boolean created,
            String currency,
            BigDecimal gross,
            String reason) {}

    private record Known(String number, boolean created) {}

    CopperplateImports(JdbcClient jdbc, CopperplateRegister register, Clock clock) {
        this.jdbc = jdbc;
        this.register = register;
        this.clock = clock;
    }

    /// @return the number of the import
    @Transactional
    public int take(String name, byte[] content) {
        ImportFile file = ImportFile.read(content);
        int id = jdbc.sql("""
                insert into copperplate_import (file, layout, at) values (:file, :layout, :at) returning id""")
                .param("file", name)
                .param("layout", file.layout().word())
                .param("at", Timestamp.from(clock.instant()))
                .query(Integer.class)
                .single();
        Map<String, RefusedException> refused = new HashMap<>();
        Map<String, Entry> read = new HashMap<>();
        file.groups().forEach((reference, rows) -> {
            try {
                Entry entry = EntryReader.read(file.layout(), reference, rows);
                requireKnown(entry);
                read.put(reference, entry);
            } catch (RefusedException e) {
                refused.put(reference, e);
            }
        });
        if (isStrict() && !refused.isEmpty()) {
            String first = refused.values().iterator().next().getMessage();
            read.keySet()
                    .forEach(reference ->
                            refused.put(reference, new RefusedException("The file was refused as a whole: " + first)));
            read.clear();
        }
        List<Outcome> outcomes = new ArrayList<>();
        file.groups()
                .forEach((reference, rows) -> outcomes.add(
                        refused.containsKey(reference)
                                ? refusal(reference, rows.getFirst(), refused.get(reference))
                                : accept(id, read.get(reference))));
        keep(id, outcomes);
        return id;
    }

    private void requireKnown(Entry entry) {
        for (Entry.Row row : entry.rows()) {
            if (!isOpen("copperplate_account", row.account())) {
                throw new RefusedException("There is no open account " + row.account());
            }
        }
        if (!entry.taxCode().isEmpty() && !isOpen("copperplate_tax", entry.taxCode())) {
            throw new RefusedException("There is no open tax code " + entry.taxCode());
        }
        boolean taxed = entry.rows().stream().anyMatch(Entry.Row::taxed);
        if (taxed && entry.taxCode().isEmpty()) {
            throw new RefusedException("Rows are taxed, and there is no tax code");
        }
        if (!entry.isJournal() && entry.party().isEmpty() && entry.partyName().isEmpty()) {
            throw new RefusedException("It names no party");
        }
    }

    private boolean isOpen(String table, String code) {
        return jdbc.sql("select exists (select 1 from " + table + " where code = :code and open)")
                .param("code", code)
                .query(Boolean.class)
                .single();
    }

    private static Outcome refusal(String reference, ImportRow row, RefusedException why) {
        return new Outcome(
                row.text("Delivery"), reference, false, "", "", false, "", BigDecimal.ZERO, why.getMessage());
    }

    private Outcome accept(int id, Entry entry) {
        Known party = party(entry);
        CopperplateRegister.Booked booked = register.book(id, entry, party.number());
        return new Outcome(
                entry.delivery(),
                entry.reference(),
                true,
                booked.number(),
                party.number(),
                party.created(),
                entry.currency(),
                booked.gross(),
                "");
    }

    /// Whoever is not known is created: under the number given, or the next.
    private Known party(Entry entry) {
        if (entry.party().isEmpty() && entry.partyName().isEmpty()) {
            return new Known("", false);
        }
        Optional<String> known = jdbc.sql("""
                select number from copperplate_party where number = :number or (:number = '' and name = :name)
                order by number limit 1""")
                .param("number", entry.party())
                .param("name", entry.partyName())
                .query(String.class)
                .optional();
        if (known.isPresent()) {
            return new Known(known.get(), false);
        }
        String number = entry.party().isEmpty() ? nextParty() : entry.party();
        jdbc.sql("insert into copperplate_party (number, name) values (:number, :name)")
                .param("number", number)
                .param("name", entry.partyName().isEmpty() ? number : entry.partyName())
                .update();
        return new Known(number, true);
    }

    private String nextParty() {
        return jdbc.sql("""
                select 'P-' || coalesce(max(substring(number from '^P-(\\d+)$')::int), 300) + 1 from copperplate_party""").query(String.class).single();
    }

    private void keep(int id, List<Outcome> outcomes) {
        int ordinal = 0;
        for (Outcome each : outcomes) {
            jdbc.sql("""
                    insert into copperplate_outcome values (:import, :ordinal, :delivery, :reference, :accepted, :entry, :party,
                        :created, :currency, :gross, :reason)""")
                    .param("import", id)
                    .param("ordinal", ++ordinal)
                    .param("delivery", each.delivery())
                    .param("reference", each.reference())
                    .param("accepted", each.accepted())
                    .param("entry", each.entry())
                    .param("party", each.party())
                    .param("created", each.created())
                    .param("currency", each.currency())
                    .param("gross", each.gross())
                    .param("reason", each.reason())
                    .update();
        }
    }

    public List<Imported> all() {
        return jdbc.sql("""
                select i.id, i.file, i.layout, to_char(i.at, 'DD/MM/YYYY HH24:MI') as at,
                    count(*) filter (where o.accepted) as accepted, count(*) filter (where not o.accepted) as refused
                from copperplate_import i left join copperplate_outcome o on o.import_id = i.id
                group by i.id order by i.id desc""").query(Imported.class).list();
    }

    public Imported get(int id) {
        return all().stream()
                .filter(each -> each.id() == id)
                .findFirst()
                .orElseThrow(() -> standins.Refusal.notFound("import " + id));
    }

    public List<Outcome> outcomes(int id) {
        return jdbc.sql("""
                select delivery, reference, accepted, entry, party, created, currency, gross, reason from copperplate_outcome
                where import_id = :id order by ordinal""").param("id", id).query(Outcome.class).list();
    }

    public boolean isStrict() {
        return jdbc.sql("select exists (select 1 from copperplate_setting where name = :name)")
                .param("name", STRICT)
                .query(Boolean.class)
                .single();
    }

    /// Whether one refusal refuses the whole file.
    public void strict(boolean strict) {
        jdbc.sql(
                        strict
                                ? "insert into copperplate_setting values (:name, 'yes') on conflict do nothing"
                                : "delete from copperplate_setting where name = :name")
                .param("name", STRICT)
                .update();
    }
}
