package standins.inkwell;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.datasource.DelegatingDataSource;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/// Each company's books are a schema; a connection looks into that of the company whose books are open.
@Configuration
class BooksOfCompany {
    @Bean
    static BeanPostProcessor opensTheRightBooks() {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof DataSource source ? new OpenBooks(source) : bean;
            }
        };
    }

    private static final class OpenBooks extends DelegatingDataSource {
        OpenBooks(DataSource source) {
            super(source);
        }

        @Override
        public Connection getConnection() throws SQLException {
            Connection connection = super.getConnection();
            try (Statement statement = connection.createStatement()) {
                statement.execute("set search_path to "
                        + Companies.findOpen()
                                .map(company -> company.schema() + ", public")
                                .orElse("public"));
            }
            return connection;
        }
    }

    /// The common tables first, then the books of every company. Books that were there before companies were, stay.
    @Bean
    FlywayMigrationStrategy migrateAll() {
        return common -> {
            common.migrate();
            for (Company company : Company.ALL) {
                Flyway.configure()
                        .dataSource(common.getConfiguration().getDataSource())
                        .schemas(company.schema())
                        .locations("classpath:db/books")
                        .baselineOnMigrate(true)
                        .load()
                        .migrate();
            }
        };
    }

    /// Opens the books that the address names.
    @Component
    @Order(10)
    static class Opener extends OncePerRequestFilter {
        private static final Pattern ADDRESS = Pattern.compile("/inkwell/(?:api/companies|books)/([a-z]+)(?:/.*)?");

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            Matcher address = ADDRESS.matcher(request.getRequestURI());
            if (!address.matches()) {
                chain.doFilter(request, response);
                return;
            }
            Company company = Company.ALL.stream()
                    .filter(each -> each.id().equals(address.group(1)))
                    .findFirst()
                    .orElse(null);
            if (company == null) {
                response.sendError(404, "There is no such company.");
                return;
            }
            try {
                Companies.in(company, () -> {
                    chain.doFilter(request, response);
                    return null;
                });
            } catch (ServletException | IOException | RuntimeException e) {
                throw e;
            } catch (Exception e) {
                throw new ServletException(e);
            }
        }
    }
}
