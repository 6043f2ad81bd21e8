package alcabala.server.access;

import alcabala.server.platform.Conventions;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.trail.Trail;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// How dates and figures are written for the business, and for each person.
@Component
class OwnConventions {
    private static final Set<DayOfWeek> BEGINNINGS = EnumSet.of(DayOfWeek.MONDAY, DayOfWeek.SATURDAY, DayOfWeek.SUNDAY);
    private final JdbcClient jdbc;
    private final Trail trail;
    private final Clock clock;

    /// What somebody said; null for what she leaves to the business, or the business to us.
    record Said(Conventions.Days days, Conventions.Figures figures, DayOfWeek weekBegins, String zone) {
        static final Said NOTHING = new Said(null, null, null, null);

        Conventions over(Conventions otherwise) {
            return new Conventions(
                    days == null ? otherwise.days() : days,
                    figures == null ? otherwise.figures() : figures,
                    weekBegins == null ? otherwise.weekBegins() : weekBegins,
                    zone == null ? otherwise.zone() : ZoneId.of(zone));
        }
    }

    /// @param own of the person
    record Both(Said business, Said own) {}

    OwnConventions(JdbcClient jdbc, Trail trail, Clock clock) {
        this.jdbc = jdbc;
        this.trail = trail;
        this.clock = clock;
    }

    Both said(long person) {
        Map<Boolean, Said> said = new HashMap<>();
        jdbc.sql("""
                select person_id is null as business, days, figures, week_begins, zone from convention
                where person_id is null or person_id = :person""").param("person", person).query(row -> {
            said.put(row.getBoolean("business"), said(row));
        });
        return new Both(said.getOrDefault(true, Said.NOTHING), said.getOrDefault(false, Said.NOTHING));
    }

    private static Said said(ResultSet row) throws SQLException {
        String week = row.getString("week_begins");
        return new Said(
                row.getString("days") == null ? null : Conventions.Days.valueOf(row.getString("days")),
                row.getString("figures") == null ? null : Conventions.Figures.valueOf(row.getString("figures")),
                week == null ? null : DayOfWeek.valueOf(week),
                row.getString("zone"));
    }

    /// What holds for a person.
    Conventions of(long person) {
        Both both = said(person);
        return both.own().over(both.business().over(Conventions.usual(clock.getZone())));
    }

    @Transactional
    void sayForBusiness(Said said, String who) {
        say(null, said);
        trail.write(null, null, who, "conventions-changed", detail(said));
    }

    @Transactional
    void say(Long person, Said said) {
        check(said);
        jdbc.sql("""
                insert into convention (person_id, days, figures, week_begins, zone)
                values (:person, :days, :figures, :week, :zone)
                on conflict\s""" + (person == null ? "((person_id is null)) where person_id is null" : "(person_id)") + """
                \sdo update set days = excluded.days, figures = excluded.figures, week_begins = excluded.week_begins,
                    zone = excluded.zone""")
                .param("person", person, Types.BIGINT)
                .param("days", name(said.days()), Types.VARCHAR)
                .param("figures", name(said.figures()), Types.VARCHAR)
                .param("week", name(said.weekBegins()), Types.VARCHAR)
                .param("zone", said.zone(), Types.VARCHAR)
                .update();
    }

    private static void check(Said said) {
        if (said.weekBegins() != null && !BEGINNINGS.contains(said.weekBegins())) {
            throw NotPossibleException.invalid("week-invalid", "A week begins on a Monday, a Saturday or a Sunday.");
        }
        // No offsets and no short names, which browsers do not know.
        if (said.zone() != null && !ZoneId.getAvailableZoneIds().contains(said.zone())) {
            throw NotPossibleException.invalid("zone-unknown", "There is no time zone “" + said.zone() + "”.");
        }
    }

    private static Map<String, String> detail(Said said) {
        Map<String, String> detail = new HashMap<>();
        detail.put("days", name(said.days()));
        detail.put("figures", name(said.figures()));
        detail.put("weekBegins", name(said.weekBegins()));
        detail.put("zone", said.zone());
        detail.values().removeIf(each -> each == null);
        return detail;
    }

    private static String name(Enum<?> each) {
        return each == null ? null : each.name();
    }
}
