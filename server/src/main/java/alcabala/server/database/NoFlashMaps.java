package alcabala.server.database;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.FlashMap;
import org.springframework.web.servlet.FlashMapManager;

/// Nothing is handed on from one page to the next, so no session is looked up for every file that is served: the
/// screens come without the database.
@Configuration
class NoFlashMaps {
    @Bean
    FlashMapManager flashMapManager() {
        return new FlashMapManager() {
            @Override
            public FlashMap retrieveAndUpdate(HttpServletRequest request, HttpServletResponse response) {
                return null;
            }

            @Override
            public void saveOutputFlashMap(
                    FlashMap flashMap, HttpServletRequest request, HttpServletResponse response) {
                throw new UnsupportedOperationException("nothing is handed on");
            }
        };
    }
}
