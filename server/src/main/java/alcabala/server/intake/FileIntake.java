package alcabala.server.intake;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.document.TypeCode;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.setting.Milestone;
import alcabala.formats.Problem;
import alcabala.formats.ReadResult;
import alcabala.formats.ubl.UblReader;
import alcabala.server.compile.Compilers;
import alcabala.server.record.Hashes;
import alcabala.server.record.Incoming;
import alcabala.server.record.Revisions;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Takes in files that others wrote.
@Component
public class FileIntake {
    private static final Logger LOG = LoggerFactory.getLogger(FileIntake.class);
    private static final Set<Milestone> ISSUED = Set.of(Milestone.APPROVED, Milestone.FINISHED, Milestone.SENT);
    private final Revisions revisions;
    private final Routes routes;
    private final Compilers compilers;
    private final Intake writer;
    private final Corrections corrections;
    private final UblReader reader = new UblReader();

    public record File(String name, String mediaType, byte[] content) {}

    /// @param where the file's name with line and column
    public record FileProblem(String code, String where, String sentence) {}

    public record Taken(Document document, Compilation compilation) {}

    public record Result(List<Taken> taken, List<FileProblem> problems) {}

    FileIntake(Revisions revisions, Routes routes, Compilers compilers, Intake writer, Corrections corrections) {
        this.revisions = revisions;
        this.routes = routes;
        this.compilers = compilers;
        this.writer = writer;
        this.corrections = corrections;
    }

    /// All files in one transaction; a file with a problem does not hold up the others.
    @Transactional
    public Result take(RouteRow route, List<File> files, boolean dryRun, String who) {
        routes.lock(route.id());
        Upload upload = new Upload(route, compilers.of(route.id()), dryRun, who);
        files.forEach(upload::take);
        upload.write();
        return new Result(upload.taken, upload.problems);
    }

    /// The files of one request.
    private final class Upload {
        private final RouteRow route;
        private final Compiler compiler;
        private final boolean dryRun;
        private final String who;
        private final Map<String, Incoming> incoming = new LinkedHashMap<>();
        private final Map<String, String> seen = new LinkedHashMap<>();
        private final List<Taken> taken = new ArrayList<>();
        private final List<FileProblem> problems = new ArrayList<>();

        Upload(RouteRow route, Compiler compiler, boolean dryRun, String who) {
            this.route = route;
            this.compiler = compiler;
            this.dryRun = dryRun;
            this.who = who;
        }

        void take(File file) {
            switch (reader.read(file.content())) {
                case ReadResult.Unreadable unreadable ->
                    unreadable.problems().forEach(problem -> problems.add(problem(file, problem)));
                case ReadResult.Read read -> {
                    try {
                        take(file, read.document());
                    } catch (ArithmeticException e) {
                        LOG.warn("figures of {} cannot be computed with", file.name(), e);
                        problems.add(new FileProblem(
                                "beyond-limits", file.name(), "Its figures are beyond what can be computed with."));
                    }
                }
            }
        }

        private void take(File file, Document read) {
            Document own = read.seenBy(Ownership.of(read, route.business()));
            Optional<Corrections.Place> place = corrected(own);
            Document document =
                    place.map(found -> own.replacing(found.number())).orElse(own);
            Compilation compilation = compiler.compile(document);
            Incoming one = incoming(
                    file, document, place.map(Corrections.Place::sourceRef).orElse(refOf(document)));
            Optional<FileProblem> duplicate = findDuplicate(file, one);
            taken.add(new Taken(document, compilation));
            if (duplicate.isPresent()) {
                problems.add(duplicate.get());
                return;
            }
            if (incoming.containsKey(one.sourceRef())) {
                // The document that this one takes the place of came in the same upload, and is written before it.
                write();
            }
            seen.put(one.record().kind().word() + one.record().number(), one.sourceRef());
            incoming.put(one.sourceRef(), one);
        }

        /// Also one that came in this very upload.
        private Optional<Corrections.Place> corrected(Document document) {
            if (document.findType().filter(TypeCode.CORRECTED_INVOICE::equals).isEmpty()) {
                return Optional.empty();
            }
            String named = seen.get(document.kind().word() + document.precedingNumber());
            return named == null
                    ? corrections.findPlace(route, document)
                    : Optional.of(new Corrections.Place(named, document.precedingNumber()));
        }

        void write() {
            if (!dryRun) {
                List<Incoming> fresh =
                        corrections.withoutSuperseded(route, compiler, List.copyOf(incoming.values()), who);
                writer.write(route, compiler, fresh, who);
            }
            incoming.clear();
        }

        private Optional<FileProblem> findDuplicate(File file, Incoming one) {
            String hash = Hashes.hex(file.content());
            boolean inThisUpload = incoming.values().stream()
                    .anyMatch(each -> Hashes.hex(each.raw()).equals(hash));
            if (inThisUpload) {
                return Optional.of(new FileProblem(
                        "same-file", file.name(), "This file is in the upload twice; it is taken in once."));
            }
            Optional<String> before = revisions.findFirst(route.sourceId(), hash);
            if (before.isPresent()) {
                return Optional.of(new FileProblem(
                        "same-file",
                        file.name(),
                        "This very file was taken in on " + before.get() + "; nothing was stored again."));
            }
            Incoming other = incoming.get(one.sourceRef());
            if (other != null && other.record().number().equals(one.record().number())) {
                return Optional.of(new FileProblem(
                        "same-number",
                        file.name(),
                        "Two different files of this upload both say they are "
                                + one.record().number() + "; only the first is taken in."));
            }
            return Optional.empty();
        }
    }

    /// What identifies a document of files on its source for good.
    public static String refOf(Document document) {
        String owner = document.kind().isSale() ? "" : document.seller().code() + ":";
        return document.kind().word() + ":" + owner + document.number();
    }

    /// A sale that was issued is approved and sent; whoever takes in a supplier's bill has approved it.
    private static Incoming incoming(File file, Document document, String ref) {
        return new Incoming(ref, document, file.content(), file.mediaType(), file.name(), ISSUED, false);
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
            case BEYOND_LIMITS -> "The file states what no document can: " + problem.detail() + ".";
        };
    }
}
