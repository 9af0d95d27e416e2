package app.denfold.server.signing.sealing;

import app.denfold.core.signing.ShortAddress;
import app.denfold.paper.sealing.Evidence;
import app.denfold.paper.sealing.SignatureMark;
import app.denfold.paper.sealing.SignedPart;
import app.denfold.server.content.Content;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.signing.requests.MarkJson;
import app.denfold.server.signing.requests.SignField;
import app.denfold.server.signing.requests.SignatureRequest;
import app.denfold.server.signing.requests.SignatureTurn;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** What stands on a sealed copy: the marks of those who signed, and how they did. */
@Component
class DescribeSigning {

    private static final JsonMapper MAPPER = new JsonMapper();

    private final PersonFiles people;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final String address;

    DescribeSigning(
            PersonFiles people,
            PracticeSettings settings,
            PracticeCalendar calendar,
            @Value("${denfold.address}") String address) {
        this.people = people;
        this.settings = settings;
        this.calendar = calendar;
        this.address = address;
    }

    /** A turn that was signed, with its request. @param pages how many pages of the paper were shown; 0 where not noted */
    record Signed(SignatureRequest request, SignatureTurn turn, int pages) {
        Instant at() {
            return Objects.requireNonNull(turn.doneAt());
        }
    }

    SignedPart part(Signed signed, UUID documentId) {
        List<SignatureMark> marks = signed.request().fields().stream()
                .filter(f ->
                        f.turnId().equals(signed.turn().id()) && f.documentId().equals(documentId))
                .flatMap(f -> mark(signed, f).stream())
                .toList();
        return new SignedPart(
                "Signed by " + signed.turn().signedName() + ", " + signed.turn().roleLabel(), signed.at(), marks);
    }

    private Optional<SignatureMark> mark(Signed signed, SignField field) {
        SignatureMark.Place place = new SignatureMark.Place(
                field.page(), field.leftPart(), field.topPart(), field.widthPart(), field.heightPart());
        SignatureTurn turn = signed.turn();
        if (field.kind() == SignField.Kind.SIGNATURE) {
            return Optional.of(new SignatureMark(
                    turn.signedName(),
                    turn.roleLabel(),
                    calendar.words(signed.at()),
                    turn.mark() == null ? SignatureMark.typed("on paper") : MarkJson.drawing(turn.mark()),
                    place));
        }
        return field.value() == null
                ? Optional.empty()
                : Optional.of(new SignatureMark(
                        turn.name(), turn.roleLabel(), "", SignatureMark.written(field.value()), place));
    }

    Evidence evidence(FiledDocument document, Content source, List<Signed> signed) {
        PersonFile file = people.file(document.fileId());
        List<String> lines = new ArrayList<>(List.of(
                "# How this paper was signed",
                settings.name(),
                "File " + file.number() + ", " + file.name(),
                "Paper dated " + PracticeCalendar.words(document.documentDate()) + ", " + source.pages()
                        + (source.pages() == 1 ? " page" : " pages") + " before this one",
                "SHA-256 of the paper before signing:",
                source.sha256(),
                "# Signatures"));
        signed.forEach(s -> lines.addAll(lines(s)));
        lines.add("# Seal");
        lines.add("Every signature, and the whole of this document, is sealed by the practice"
                + " (PAdES baseline B-LT, ETSI EN 319 142-1).");
        lines.add("Whether this copy is unchanged and the newest, anyone can check: " + address + "/check");
        lines.add("Any later change, of one byte even, makes the seal invalid. The paper before signing is kept.");
        return new Evidence(lines, json(document, source, signed));
    }

    private List<String> lines(Signed signed) {
        SignatureTurn turn = signed.turn();
        List<String> lines = new ArrayList<>();
        lines.add(turn.signedName() + ", " + turn.roleLabel());
        lines.add("    on " + calendar.words(signed.at()) + " (" + settings.zone() + "), " + manner(turn));
        lines.add("    " + known(signed));
        String shown = shown(signed);
        if (shown != null) {
            lines.add("    " + shown);
        }
        return lines;
    }

    private static String manner(SignatureTurn turn) {
        return switch (Objects.requireNonNull(turn.method())) {
            case "PEN" -> "by pen on the screen";
            case "PAPER" -> "by pen on paper, as the scan shows that is attached";
            default -> "by typing the name";
        };
    }

    private String known(Signed signed) {
        SignatureTurn turn = signed.turn();
        String words = "known " + Objects.requireNonNull(turn.knownBy()).words();
        if (turn.sessionOf() != null) {
            return words + " of " + turn.sessionOf();
        }
        String address = address(turn);
        return address == null ? words : words + " to " + address;
    }

    /** As far as the practice wants it shown; null for nothing. */
    private @Nullable String address(SignatureTurn turn) {
        String known = turn.knownAddress();
        if (known == null) {
            return null;
        }
        return switch (settings.evidenceAddresses()) {
            case NONE -> null;
            case SHORT -> ShortAddress.of(known);
            case FULL -> known;
        };
    }

    private @Nullable String shown(Signed signed) {
        Instant opened = signed.turn().openedAt();
        if (opened == null || signed.pages() == 0) {
            return null;
        }
        Duration time = Duration.between(opened, signed.at());
        String length = time.toMinutes() < 1
                ? Math.max(1, time.toSeconds()) + " seconds"
                : time.toHours() < 1
                        ? time.toMinutes() + (time.toMinutes() == 1 ? " minute" : " minutes")
                        : "since " + calendar.words(opened);
        return (signed.pages() == 1 ? "the page was shown" : "all " + signed.pages() + " pages were shown")
                + (time.toHours() < 1 ? " for " : " ")
                + length;
    }

    private String json(FiledDocument document, Content source, List<Signed> signed) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("practice", settings.name());
        all.put("document", document.id().toString());
        all.put("documentDate", document.documentDate().toString());
        all.put("sha256BeforeSigning", source.sha256());
        all.put("pagesBeforeSigning", source.pages());
        all.put("zone", settings.zone().getId());
        all.put("signatures", signed.stream().map(this::json).toList());
        all.put("check", address + "/check");
        return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(all);
    }

    private Map<String, @Nullable Object> json(Signed signed) {
        SignatureTurn turn = signed.turn();
        Map<String, @Nullable Object> one = new LinkedHashMap<>();
        one.put("name", turn.name());
        one.put("signedBy", turn.signedName());
        one.put("role", turn.role());
        one.put("at", signed.at().toString());
        one.put("method", turn.method());
        one.put("knownBy", Objects.requireNonNull(turn.knownBy()).name());
        one.put("inSessionOf", turn.sessionOf());
        one.put("address", address(turn));
        one.put("shownFrom", turn.openedAt() == null ? null : turn.openedAt().toString());
        one.put("pagesShown", signed.pages() == 0 ? null : signed.pages());
        one.put("askedBy", signed.request().askedBy());
        one.put("askedAt", signed.request().askedAt().toString());
        return one;
    }
}
