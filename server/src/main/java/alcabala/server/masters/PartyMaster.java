package alcabala.server.masters;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.field.Half;
import alcabala.accounting.field.MasterField;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.matching.Twins;
import alcabala.accounting.party.Party;
import alcabala.accounting.party.PartyField;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.sync.LastChanges;
import alcabala.accounting.sync.PartyHalf;
import alcabala.accounting.sync.PartySaying;
import alcabala.accounting.sync.Side;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.CreatesMasters;
import alcabala.connectors.ledger.RewritesParties;
import alcabala.connectors.ledger.RewritesParties.PartyThere;
import alcabala.connectors.ledger.TellsWhoChanged;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.spi.Connection;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.reference.LedgerReference;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import java.sql.Timestamp;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// Customers and suppliers.
@Component
@Order(1)
class PartyMaster implements Master {
    private static final List<PartyField> FIELDS = List.of(PartyField.values());
    private static final Tables TABLES =
            new Tables("source_party", "s.body", "s.body", "ledger_party", "p.body", "p.body");
    private final JdbcClient jdbc;
    private final SourceCatalogue catalogue;
    private final LedgerReference reference;
    private final CrosswalkStore crosswalk;
    private final JsonMapper json;

    PartyMaster(
            JdbcClient jdbc,
            SourceCatalogue catalogue,
            LedgerReference reference,
            CrosswalkStore crosswalk,
            JsonMapper json) {
        this.crosswalk = crosswalk;
        this.jdbc = jdbc;
        this.catalogue = catalogue;
        this.reference = reference;
        this.json = json;
    }

    @Override
    public Carried carried() {
        return Carried.PARTIES;
    }

    @Override
    public RowKind row() {
        return RowKind.PARTY;
    }

    @Override
    public String word() {
        return "party";
    }

    @Override
    public boolean linksSameCodes() {
        return false;
    }

    @Override
    public List<? extends MasterField> fields() {
        return FIELDS;
    }

    @Override
    public Tables tables() {
        return TABLES;
    }

    @Override
    public Half half(String body) {
        return PartyHalf.of(party(body));
    }

    /// Whom documents were posted to without a row of the crosswalk.
    @Override
    public void linkOthers(RouteRow route, Timestamp now) {
        jdbc.sql("""
                insert into master_link (route_id, kind, code, counterpart, linked_at)
                select distinct on (d.party_code) d.route_id, 'PARTIES', d.party_code, p.entry->>'partyCounterpart',
                    cast(:now as timestamptz)
                from record d join dispatch t on t.record_id = d.id and t.outcome = 'posted'
                    join posting p on p.id = t.posting_id
                where d.route_id = :route and d.crossed_at is not null and d.crossed_at >= coalesce(
                        (select max(linked_at) from master_link where route_id = :route and kind = 'PARTIES'), '-infinity')
                    and coalesce(p.entry->>'partyCounterpart', '') <> ''
                    and not exists (select 1 from crosswalk_row c where c.route_id = d.route_id and c.kind = 'PARTY'
                        and c.code = d.party_code and c.purpose = 'COUNTERPART')
                order by d.party_code, t.id desc
                on conflict do nothing""").param("route", route.id()).param("now", now).update();
    }

    @Override
    public Sayings sayings(RouteRow route) {
        PartySaying saying = new PartySaying(crosswalk.rows(route.id(), List.of(RowKind.TERMS)).stream()
                .filter(row -> !row.counterpart().isEmpty())
                .collect(Collectors.toMap(CrosswalkRow::code, CrosswalkRow::counterpart)));
        return new Sayings(saying.text(), (code, named) -> saying);
    }

    @Override
    public Set<String> takes(Connection there) {
        return there.find(RewritesParties.class).map(RewritesParties::partyFields).orElse(Set.of()).stream()
                .map(PartyField::code)
                .collect(Collectors.toSet());
    }

    @Override
    public Optional<There> find(Connection there, String code) {
        return there.get(RewritesParties.class).findParty(code).map(this::there);
    }

    private There there(PartyThere found) {
        return new There(found.party().code(), written(found.party()), PartyHalf.of(found.party()), found.version());
    }

    @Override
    public String with(String body, SortedMap<String, Optional<String>> wanted) {
        return written(PartyHalf.with(party(body), wanted));
    }

    @Override
    public Answer<String> change(Connection there, There standing, String wanted, String key) {
        PartyThere read = new PartyThere(party(standing.body()), standing.version());
        return there.get(RewritesParties.class).change(read, party(wanted), key).map(this::written);
    }

    @Override
    public String code(String body) {
        return party(body).code();
    }

    /// Also one that is in use no more: it may have been entered again.
    @Override
    public UnaryOperator<Map<String, String>> resembling(RouteRow route) {
        PartyMatcher matcher = new PartyMatcher(catalogue.parties(route.sourceId()).stream()
                .map(each -> each.withActive(true))
                .toList());
        return bodies -> {
            Map<String, String> like = new HashMap<>();
            matcher.rankAll(bodies.values().stream().map(this::party).toList())
                    .forEach((party, candidates) -> candidates.stream()
                            .findFirst()
                            .ifPresent(first ->
                                    like.put(party.code(), first.party().code())));
            return like;
        };
    }

    @Override
    public Set<String> repeated(Map<String, String> bodies) {
        return Twins.among(bodies.values().stream().map(this::party).toList()).stream()
                .map(twins -> twins.other().party().code())
                .collect(Collectors.toSet());
    }

    /// Its terms are a code of the ledger: they are told once it stands on both sides.
    @Override
    public String asNew(String body) {
        return written(party(body).withTerms(""));
    }

    @Override
    public Answer<String> create(CreatesMasters there, String code, String body, String reference, String key) {
        return there.create(party(body), reference, key).map(this::written);
    }

    @Override
    public void knowNew(RouteRow route, String body) {
        know(route, Side.SOURCE, body);
    }

    @Override
    public Map<String, LastChanges> changed(TellsWhoChanged there, Collection<String> codes) {
        return there.partiesChanged(codes);
    }

    @Override
    public void know(RouteRow route, Side side, String body) {
        if (side == Side.SOURCE) {
            catalogue.keep(route.sourceId(), List.of(new SourceChange.PartyChanged(party(body))));
        } else {
            reference.rewritten(route.ledgerId(), party(body));
        }
    }

    private Party party(String body) {
        return json.readValue(body, Party.class);
    }

    private String written(Party party) {
        return json.writeValueAsString(party);
    }
}
