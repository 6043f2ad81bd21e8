package alcabala.server.connect;

import alcabala.connectors.http.HullworkSource;
import alcabala.connectors.http.InkwellLedger;
import alcabala.connectors.ledger.LedgerConnector;
import alcabala.connectors.source.SourceConnector;
import alcabala.server.platform.Settings;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/// The adapters to the systems outside. One source app and one ledger are connected so far.
@Configuration
class Outside {
    @Bean
    SourceConnector hullwork(Settings settings) {
        return new HullworkSource(settings.standins(), settings.hullworkKey(), settings.patience());
    }

    @Bean
    LedgerConnector inkwell(Settings settings) {
        return new InkwellLedger(settings.standins(), settings.inkwellKey(), settings.patience());
    }
}
