package app.denfold.server.demo.marks;

import app.denfold.core.marks.MarkKind;
import app.denfold.core.marks.MarkShape;
import app.denfold.core.marks.PageBox;
import app.denfold.core.marks.StampWords;
import app.denfold.server.access.Viewer;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.marks.Marks;
import app.denfold.server.marks.Marks.NewMark;
import app.denfold.server.people.PersonFile;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What was put on the pages of a certificate of the demo practice. */
@Component
public class DemoMarks {

    private static final String WHOSE = "Tamsin Korhola";

    private final Marks marks;
    private final Documents documents;

    DemoMarks(Marks marks, Documents documents) {
        this.marks = marks;
        this.documents = documents;
    }

    public void load(Viewer ottilie, List<PersonFile> people, LocalDate today) {
        people.stream()
                .filter(p -> p.name().equals(WHOSE))
                .flatMap(p -> documents.ofFile(p.id()).stream())
                .filter(d -> d.type().equals("first-aid"))
                .forEach(d -> mark(ottilie, d, today));
    }

    private void mark(Viewer ottilie, FiledDocument certificate, LocalDate today) {
        marks.put(
                ottilie,
                certificate.id(),
                certificate.versions().size(),
                List.of(
                        on(MarkKind.HIGHLIGHT, new PageBox(1_130, 3_030, 3_620, 200), null),
                        on(
                                MarkKind.NOTE,
                                new PageBox(8_150, 1_150, 900, 320),
                                "The number is hard to read. Ask Fennick Hall for the original."),
                        on(
                                MarkKind.STAMP,
                                new PageBox(6_100, 8_500, 3_000, 480),
                                StampWords.filled("Received {date}, {initials}", today.minusDays(3), ottilie.name())),
                        new NewMark(1, MarkShape.cover(List.of(new PageBox(4_230, 1_890, 1_500, 200)), "birth date"))));
    }

    private static NewMark on(MarkKind kind, PageBox area, @Nullable String text) {
        return new NewMark(1, MarkShape.on(kind, List.of(area), text));
    }
}
