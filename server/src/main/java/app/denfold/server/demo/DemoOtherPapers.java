package app.denfold.server.demo;

import app.denfold.paper.Format;
import app.denfold.server.access.Actor;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.people.PersonFile;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.springframework.stereotype.Component;

/** Papers of the demo's files that fill no slot. */
@Component
class DemoOtherPapers {

    private final Documents documents;
    private final Contents contents;
    private final DemoStore store;

    DemoOtherPapers(Documents documents, Contents contents, DemoStore store) {
        this.documents = documents;
        this.contents = contents;
        this.store = store;
    }

    /** Papers that no checklist asks for: letters, notes, invoices, a photo, a fax, one letter as the office wrote it. */
    void fill(PersonFile file, LocalDate today, Random random) {
        int count = random.nextInt(4);
        for (int i = 0; i < count; i++) {
            String[] paper = OTHERS.get(random.nextInt(OTHERS.size()));
            List<String> text = List.of("# " + paper[1], "", "Concerning " + file.name() + ".", "", paper[2], paper[3]);
            ordinary(file, paper[0], text, today.minusDays(3 + random.nextInt(400)), random);
        }
        if (file.name().equals("Salome Iwaszko")) {
            takeOver(file, "letter", List.of(), today.minusDays(5), contents.keep(WRITTEN, Format.RTF, 1));
        }
    }

    private static final List<String[]> OTHERS = List.of(
            new String[] {
                "letter",
                "Winter rota",
                "The lessons on the two Saturdays before the holidays move to the",
                "morning. Please tell us by the end of the week if that does not suit."
            },
            new String[] {
                "letter",
                "New opening hours of the office",
                "From the first of the month the office opens at half past seven",
                "and closes at four on Fridays."
            },
            new String[] {
                "note",
                "Note of a telephone call",
                "Called about the lesson on Wednesday; will come ten minutes",
                "later until the roadworks at the mill are done."
            },
            new String[] {"note", "Note for the file", "Prefers to be written to; reads mail in the evening.", ""},
            new String[] {"invoice", "Invoice", "Ten lessons, autumn term. Payable within fourteen days.", ""},
            new String[] {"photo", "Photo", "Taken at the autumn games.", ""},
            new String[] {"fax", "Fax", "Confirmation of the transport on Thursday.", ""});

    private void ordinary(PersonFile file, String kind, List<String> text, LocalDate dated, Random random) {
        String letterhead = PaperText.letterhead("letter");
        String sha256 =
                switch (kind) {
                    case "photo" ->
                        contents.keep(DemoPapers.photographed(letterhead, text, random.nextLong()), Format.JPEG, 1);
                    case "fax" ->
                        contents.keep(
                                DemoPapers.faxed(letterhead, text),
                                Format.TIFF,
                                1 + Collections.frequency(text, "---"));
                    default -> store.keep(DemoPapers.typed(letterhead, text), text);
                };
        // an invoice comes with a few words to whom it is for
        takeOver(
                file,
                kind.equals("fax") ? "letter" : kind,
                kind.equals("invoice") ? List.of("letter") : List.of(),
                dated,
                sha256);
    }

    private void takeOver(PersonFile file, String type, List<String> further, LocalDate dated, String sha256) {
        documents.takeOver(
                Actor.system("Ottilie Brandmoor"),
                new FilingDetails(file.id(), type, further, dated, null, null, Map.of(), null, null),
                new Documents.Received(sha256, dated, "dropped into Arrivals by Ottilie Brandmoor"),
                Documents.History.none());
    }

    private static final byte[] WRITTEN = """
            {\\rtf1\\ansi{\\fonttbl{\\f0\\fswiss Liberation Sans;}}\\f0\\fs22
            {\\b\\fs30 Carriage driving in the winter months\\par}\\par
            Dear Mrs Iwaszko,\\par\\par
            from December we drive in the covered arena. These are your hours:\\par\\par
            \\trowd\\trgaph90\\cellx3000\\cellx6000\\intbl\\b Day\\cell Hour\\b0\\cell\\row
            \\trowd\\trgaph90\\cellx3000\\cellx6000\\intbl Tuesday\\cell 10:30\\cell\\row
            \\trowd\\trgaph90\\cellx3000\\cellx6000\\intbl Thursday\\cell 14:00\\cell\\row
            \\pard\\par Please bring gloves and a warm hat.\\par\\par
            Ottilie Brandmoor\\par\\page
            {\\b How to find the covered arena\\par}\\par
            Behind the long stable, past the mill race, second gate on the left.\\par}
            """.getBytes(StandardCharsets.US_ASCII);
}
