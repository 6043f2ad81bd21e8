package alcabala.connectors.ledger;

import alcabala.accounting.batch.AnswerLine;
import alcabala.accounting.batch.Answering.Telling;
import alcabala.formats.csv.CsvProblem;
import java.util.List;

/// What a ledger that takes files says in a file of its own.
public sealed interface FileAnswer {
    record Read(Telling telling, List<AnswerLine> lines) implements FileAnswer {}

    record Unusable(List<CsvProblem> problems) implements FileAnswer {}
}
