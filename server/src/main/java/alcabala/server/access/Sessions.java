package alcabala.server.access;

import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Where people are signed in at present.
@Component
public class Sessions {
    private final JdbcClient jdbc;

    /// @param id enough to end it with, not enough to use it
    /// @param browser as it calls itself
    record OpenSession(String id, Instant since, Instant lastSeen, String browser, boolean present) {}

    Sessions(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// @param present the session of the request
    List<OpenSession> of(String signIn, String present) {
        return jdbc.sql("""
                select s.primary_id, s.session_id, s.creation_time, s.last_access_time, coalesce(b.browser, '') as browser
                from spring_session s left join session_browser b on b.session_id = s.session_id
                where s.principal_name = :signIn and s.expiry_time > extract(epoch from now()) * 1000
                order by s.last_access_time desc""")
                .param("signIn", signIn)
                .query((row, n) -> new OpenSession(
                        row.getString("primary_id"),
                        Instant.ofEpochMilli(row.getLong("creation_time")),
                        Instant.ofEpochMilli(row.getLong("last_access_time")),
                        row.getString("browser"),
                        row.getString("session_id").equals(present)))
                .list();
    }

    /// Whether it still lasts.
    public boolean isOpen(String session) {
        return jdbc.sql(
                        "select 1 from spring_session where session_id = :session and expiry_time > extract(epoch from now()) * 1000")
                .param("session", session)
                .query(Integer.class)
                .optional()
                .isPresent();
    }

    void remember(String session, String browser) {
        jdbc.sql(
                        "delete from session_browser b where not exists (select 1 from spring_session s where s.session_id = b.session_id)")
                .update();
        jdbc.sql("insert into session_browser (session_id, browser) values (:session, :browser) on conflict do nothing")
                .param("session", session)
                .param("browser", browser.length() > 200 ? browser.substring(0, 200) : browser)
                .update();
    }

    int end(String signIn, String id) {
        return jdbc.sql("delete from spring_session where principal_name = :signIn and primary_id = :id")
                .param("signIn", signIn)
                .param("id", id)
                .update();
    }

    int endAll(String signIn) {
        return jdbc.sql("delete from spring_session where principal_name = :signIn")
                .param("signIn", signIn)
                .update();
    }

    int endOthers(String signIn, String present) {
        return jdbc.sql("delete from spring_session where principal_name = :signIn and session_id <> :present")
                .param("signIn", signIn)
                .param("present", present)
                .update();
    }
}
