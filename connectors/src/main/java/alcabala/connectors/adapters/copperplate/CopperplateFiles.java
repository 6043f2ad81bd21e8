package alcabala.connectors.adapters.copperplate;

import alcabala.connectors.ledger.FileAnswer;
import alcabala.connectors.ledger.TakesFiles;
import alcabala.connectors.ledger.WritesLists;
import alcabala.formats.layout.Layout;
import java.util.List;

/// All that there is of Copperplate from outside: files that go in, and files that come out.
final class CopperplateFiles {
    private CopperplateFiles() {}

    static WritesLists lists() {
        return CopperplateLists::read;
    }

    static TakesFiles files() {
        return new TakesFiles() {
            @Override
            public List<Layout> layouts() {
                return CopperplateLayouts.all();
            }

            @Override
            public FileAnswer read(byte[] file) {
                return CopperplateAnswers.read(file);
            }
        };
    }
}
