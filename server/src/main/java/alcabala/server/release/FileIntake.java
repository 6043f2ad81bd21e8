package alcabala.server.release;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.setting.Milestone;
import alcabala.formats.Problem;
import alcabala.formats.ReadResult;
import alcabala.formats.ubl.UblReader;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.Routes;
import alcabala.server.map.Compilers;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Takes in files that others wrote.
@Component
public class FileIntake {
    private static final Set<Milestone> ISSUED = Set.of(Milestone.APPROVED, Milestone.FINISHED, Milestone.SENT);
    private final JdbcClient jdbc;
    private final Routes routes;
    private final Compilers compilers;
    private final DocumentWriter writer;
    private final UblReader reader = new UblReader();

    public record File(String name, String mediaType, byte[] content) {}

    /// @param where the file's name with line and column
    record FileProblem(String code, String where, String sentence) {}

    record Taken(Document document, Compilation compilation) {}

    record Result(List<Taken> taken, List<FileProblem> problems) {}

    FileIntake(JdbcClient jdbc, Routes routes, Compilers compilers, DocumentWriter writer) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.compilers = compilers;
        this.writer = writer;
    }

    /// All files in one transaction; a file with a problem does not hold up the others.
    @Transactional
    public Result take(RouteRow route, List<File> files, boolean dryRun, String who) {
        routes.lock(route.id());
        Compiler compiler = compilers.of(route.id());
        Map<String, Incoming> incoming = new LinkedHashMap<>();
        List<Taken> taken = new ArrayList<>();
        List<FileProblem> problems = new ArrayList<>();
        for (File file : files) {
            switch (reader.read(file.content())) {
                case ReadResult.Unreadable unreadable ->
                    unreadable.problems().forEach(problem -> problems.add(problem(file, problem)));
                case ReadResult.Read read -> {
                    Document document = read.document().seenBy(Ownership.of(read.document(), route.business()));
                    taken.add(new Taken(document, compiler.compile(document)));
                    Incoming one = incoming(file, document);
                    findDuplicate(route, file, incoming, one)
                            .ifPresentOrElse(problems::add, () -> incoming.put(one.sourceRef(), one));
                }
            }
        }
        if (!dryRun) {
            writer.write(route, compiler, List.copyOf(incoming.values()), who);
        }
        return new Result(taken, problems);
    }

    /// A sale that was issued is approved and sent; whoever takes in a supplier's bill has approved it.
    private static Incoming incoming(File file, Document document) {
        String owner = document.kind().isSale() ? "" : document.seller().code() + ":";
        String ref = document.kind().word() + ":" + owner + document.number();
        return new Incoming(ref, document, file.content(), file.mediaType(), file.name(), ISSUED, false);
    }

    private Optional<FileProblem> findDuplicate(
            RouteRow route, File file, Map<String, Incoming> incoming, Incoming one) {
        String hash = Hashes.hex(file.content());
        boolean inThisUpload = incoming.values().stream()
                .anyMatch(each -> Hashes.hex(each.raw()).equals(hash));
        Optional<String> before = jdbc.sql("""
                select to_char(received_at, 'YYYY-MM-DD HH24:MI') from received
                where source_id = :source and sha256 = :hash order by id limit 1""")
                .param("source", route.sourceId())
                .param("hash", HexFormat.of().parseHex(hash))
                .query(String.class)
                .optional();
        if (inThisUpload) {
            return Optional.of(new FileProblem(
                    "same-file", file.name(), "This file is in the upload twice; it is taken in once."));
        }
        if (before.isPresent()) {
            return Optional.of(new FileProblem(
                    "same-file",
                    file.name(),
                    "This very file was taken in on " + before.get() + "; nothing was stored again."));
        }
        if (incoming.containsKey(one.sourceRef())) {
            return Optional.of(new FileProblem(
                    "same-number",
                    file.name(),
                    "Two different files of this upload both say they are "
                            + one.document().number() + "; only the first is taken in."));
        }
        return Optional.empty();
    }

    private static FileProblem problem(File file, Problem problem) {
        String place = problem.line() > 0
                ? file.name() + ", line " + problem.line() + ", column " + Math.max(problem.column(), 1)
                : file.name();
        return new FileProblem(
                problem.code().name().toLowerCase(Locale.ROOT).replace('_', '-'), place, sentence(problem));
    }

    private static String sentence(Problem problem) {
        return switch (problem.code()) {
            case NOT_XML -> "This is not XML.";
            case TRUNCATED -> "The file ends before it is complete; get it again from who sent it.";
            case DOCTYPE -> "The file carries a DOCTYPE, which an invoice never needs; it is refused for safety.";
            case TOO_LARGE -> "The file is too large: " + problem.detail() + ".";
            case NOT_UBL -> "This is XML, but not UBL: its root element is " + problem.detail() + ".";
            case OTHER_DOCUMENT_TYPE ->
                "This is a UBL " + problem.detail() + "; invoices and credit notes are taken in.";
            case INVALID -> "The file breaks the rules of UBL 2.1: " + problem.detail();
        };
    }
}
