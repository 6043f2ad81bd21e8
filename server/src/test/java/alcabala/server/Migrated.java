package alcabala.server;

import java.util.Map;
import java.util.UUID;
import org.flywaydb.core.Flyway;

/// A database with every migration in it and nothing else, made once for all tests of a run: copying it takes a
/// fraction of a second, running the migrations again for each world took several.
final class Migrated {
    private static final String PATTERN =
            "pattern_" + UUID.randomUUID().toString().replace("-", "");
    private static boolean made;

    private Migrated() {}

    static synchronized void copyTo(String database, String roles) {
        if (!made) {
            World.execute("postgres", "create database " + PATTERN);
            World.execute(PATTERN, roles);
            migrate();
            made = true;
        }
        World.execute("postgres", "create database " + database + " template " + PATTERN);
        World.execute(database, roles);
    }

    private static void migrate() {
        Flyway.configure()
                .dataSource(World.url(PATTERN), "alcabala_migration", World.password())
                .initSql("set role alcabala_owner")
                .placeholders(Map.of("appRole", "alcabala_app"))
                .load()
                .migrate();
    }
}
