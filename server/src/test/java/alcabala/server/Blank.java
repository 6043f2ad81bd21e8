package alcabala.server;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/// Databases with every table and nothing in them. The first is made by the migrations, as a server makes it; the
/// others are copied from it, which takes a tenth of the time, more than a hundred times in a run of all tests.
final class Blank {
    private static final String ROLES = roles();
    private static final String NAME = "blank_" + UUID.randomUUID().toString().replace("-", "");
    private static boolean made;

    private Blank() {}

    /// @return the name of a new one, which the roles may work in
    static synchronized String copy() {
        if (!made) {
            World.execute("postgres", "create database " + NAME);
            allow(NAME);
            migrate();
            made = true;
        }
        String name = "test_" + UUID.randomUUID().toString().replace("-", "");
        World.execute("postgres", "create database " + name + " template " + NAME);
        allow(name);
        return name;
    }

    private static void migrate() {
        // Spring, which would keep it quiet, is not there yet.
        ((Logger) LoggerFactory.getLogger("org.flywaydb")).setLevel(Level.WARN);
        Flyway.configure()
                .dataSource(new DriverManagerDataSource(World.url(NAME), "alcabala_migration", World.password()))
                .initSql("set role alcabala_owner")
                .placeholders(Map.of("appRole", "alcabala_app"))
                .load()
                .migrate();
    }

    private static void allow(String database) {
        World.execute(
                database,
                "set alcabala.app_password = '%1$s'; set alcabala.migration_password = '%1$s';"
                                .formatted(World.password())
                        + ROLES);
    }

    private static String roles() {
        try {
            return Files.readString(Path.of("../operations/roles.sql"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
