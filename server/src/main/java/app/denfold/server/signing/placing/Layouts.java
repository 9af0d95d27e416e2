package app.denfold.server.signing.placing;

import app.denfold.core.finding.FoundWords;
import app.denfold.core.signing.PlacesToSign;
import app.denfold.paper.places.WritingPlace;
import app.denfold.paper.reading.WordBox;
import app.denfold.server.catalog.Signer;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.reading.ReadPage;
import app.denfold.server.reading.Readings;
import app.denfold.server.signing.requests.SignField;
import app.denfold.server.signing.sealing.SealedCopies;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Places on the pages that are proposed: those kept from the last time, or those that the words on the paper tell of. */
@Component
public class Layouts {

    private static final JsonMapper MAPPER = new JsonMapper();

    private final SignatureLayoutRepository layouts;
    /** How a line that is drawn is told among the words of a page: as one of underscores would be. */
    private static final String LINE = "____";

    private static final double LINE_HEIGHT = 0.014;

    private final Readings readings;
    private final PaperPlaces places;

    Layouts(SignatureLayoutRepository layouts, Readings readings, PaperPlaces places) {
        this.places = places;
        this.layouts = layouts;
        this.readings = readings;
    }

    /** A field as it is kept for a type: for a role instead of a person. */
    public record KeptField(
            String role,
            SignField.Kind kind,
            int page,
            double left,
            double top,
            double width,
            @Nullable Double height,
            boolean required,
            @Nullable String label) {}

    /** @param why it is proposed, in words */
    public record ProposedPlace(UUID paperId, KeptField field, String why) {}

    /** Keeps where fields were placed on a paper, for the next one of its type. */
    public void keep(FiledDocument document, int pages, List<SignField> fields, Function<UUID, String> roleOf) {
        String json = MAPPER.writeValueAsString(fields.stream()
                .map(f -> new KeptField(
                        roleOf.apply(f.turnId()),
                        f.kind(),
                        f.page(),
                        f.leftPart(),
                        f.topPart(),
                        f.widthPart(),
                        f.heightPart(),
                        f.required(),
                        f.label()))
                .toList());
        layouts.findByDocumentTypeAndPages(document.type(), pages)
                .ifPresentOrElse(
                        known -> known.keep(json),
                        () -> layouts.save(new SignatureLayout(document.type(), pages, json)));
    }

    /** @param signers that the paper still lacks */
    public List<ProposedPlace> of(FiledDocument document, int pages, List<Signer> signers) {
        List<KeptField> kept = layouts.findByDocumentTypeAndPages(document.type(), pages)
                .map(l -> Arrays.asList(MAPPER.readValue(l.fields(), KeptField[].class)))
                .orElse(List.of());
        if (!kept.isEmpty()) {
            return kept.stream()
                    .filter(f -> signers.stream().anyMatch(s -> s.role().equals(f.role())))
                    .map(f -> new ProposedPlace(document.id(), f, "as last time"))
                    .toList();
        }
        return found(document, signers);
    }

    private List<ProposedPlace> found(FiledDocument document, List<Signer> signers) {
        String sha256 = SealedCopies.sourceOf(document).sha256();
        Map<String, String> roles = signers.stream()
                .collect(Collectors.toMap(Signer::role, Signer::label, (a, b) -> a, LinkedHashMap::new));
        List<WritingPlace> written = places.of(sha256);
        List<PlacesToSign.Proposed> inForm = PlacesToSign.ofForm(
                written.stream()
                        .filter(p -> p.kind() != WritingPlace.Kind.LINE)
                        .map(Layouts::formField)
                        .toList(),
                roles);
        List<PlacesToSign.Proposed> all = inForm.stream().anyMatch(p -> p.what() == PlacesToSign.What.SIGNATURE)
                ? inForm
                : Stream.concat(
                                inForm.stream(),
                                PlacesToSign.of(
                                        readings.pages(sha256).stream()
                                                .map(page -> words(page, written))
                                                .toList(),
                                        roles)
                                        .stream())
                        .toList();
        return all.stream()
                .map(p -> new ProposedPlace(
                        document.id(),
                        new KeptField(
                                p.role(),
                                SignField.Kind.valueOf(p.what().name()),
                                p.page(),
                                p.left(),
                                p.top(),
                                p.width(),
                                p.height(),
                                p.what() != PlacesToSign.What.TICK && p.what() != PlacesToSign.What.TEXT,
                                p.what() == PlacesToSign.What.TICK || p.what() == PlacesToSign.What.TEXT
                                        ? p.words()
                                        : null),
                        "“" + p.words() + "”"))
                .toList();
    }

    /** Of a page that stands upright; of others it is not known where its words are as it is shown. */
    private static List<PlacesToSign.Word> words(ReadPage page, List<WritingPlace> places) {
        List<String> written = FoundWords.words(page.text());
        if (page.turn() != 0 || written.size() != page.boxes().size()) {
            return List.of();
        }
        List<PlacesToSign.Word> words = new ArrayList<>();
        for (int i = 0; i < written.size(); i++) {
            WordBox box = page.boxes().get(i);
            double whole = WordBox.WHOLE;
            words.add(new PlacesToSign.Word(
                    written.get(i), box.left() / whole, box.top() / whole, box.width() / whole, box.height() / whole));
        }
        places.stream()
                .filter(p -> p.kind() == WritingPlace.Kind.LINE && p.page() == page.page())
                .forEach(p -> words.add(
                        new PlacesToSign.Word(LINE, p.left(), p.top() - LINE_HEIGHT, p.width(), LINE_HEIGHT)));
        return words;
    }

    private static PlacesToSign.FormField formField(WritingPlace place) {
        return new PlacesToSign.FormField(
                PlacesToSign.What.valueOf(place.kind().name()),
                place.page(),
                place.left(),
                place.top(),
                place.width(),
                place.height(),
                place.name());
    }
}
