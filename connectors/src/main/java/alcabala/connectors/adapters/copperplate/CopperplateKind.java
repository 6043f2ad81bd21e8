package alcabala.connectors.adapters.copperplate;

import alcabala.accounting.tax.TaxRounding;
import alcabala.connectors.Access;
import alcabala.connectors.ledger.TakesFiles;
import alcabala.connectors.ledger.TellsBalancesInFile;
import alcabala.connectors.ledger.WritesLists;
import alcabala.connectors.spi.BooksOfFiles;
import alcabala.connectors.spi.Capability;
import alcabala.connectors.spi.Connection;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Entry;
import alcabala.connectors.spi.Place;
import alcabala.connectors.spi.Side;
import alcabala.formats.layout.Layout;
import java.util.List;
import java.util.Set;

/// Copperplate, a ledger that takes files and writes lists of what it owns.
public final class CopperplateKind implements ConnectionKind {
    private static final int NAME_LIMIT = 40;

    @Override
    public String code() {
        return "copperplate";
    }

    @Override
    public String name() {
        return "Copperplate";
    }

    @Override
    public Side side() {
        return Side.LEDGER;
    }

    @Override
    public Entry entry() {
        return new Entry.ByFiles();
    }

    @Override
    public Set<Class<? extends Capability>> can() {
        return Set.of(WritesLists.class, TakesFiles.class, TellsBalancesInFile.class);
    }

    /// One code for a document, and its tax by document.
    @Override
    public BooksOfFiles books() {
        return new BooksOfFiles(TaxRounding.PER_DOCUMENT, NAME_LIMIT, true);
    }

    @Override
    public List<Layout> layouts() {
        return CopperplateLayouts.all();
    }

    @Override
    public Connection open(Place place, Access access) {
        return Connection.of(
                name(),
                (WritesLists) CopperplateLists::read,
                (TakesFiles) CopperplateAnswers::read,
                (TellsBalancesInFile) CopperplateStood::read);
    }
}
