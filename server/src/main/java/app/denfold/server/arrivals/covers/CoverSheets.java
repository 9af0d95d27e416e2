package app.denfold.server.arrivals.covers;

import app.denfold.core.filing.CoverCode;
import app.denfold.core.filing.SplitBatch;
import app.denfold.paper.codes.CoverSheet;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Sheets to be laid before papers in a stack, so that it splits by itself. */
@Component
public class CoverSheets {

    private static final String HINT = "Lay this sheet before the papers and scan all in one go.";

    private final PersonFiles files;
    private final Catalog catalog;
    private final PracticeSettings settings;

    CoverSheets(PersonFiles files, Catalog catalog, PracticeSettings settings) {
        this.files = files;
        this.catalog = catalog;
        this.settings = settings;
    }

    /**
     * One sheet for each type, or one for the person alone.
     *
     * @param fileId whose papers follow, or null
     * @param types codes of types; empty for none
     * @throws Refusal when neither is given
     */
    public byte[] sheets(Viewer viewer, @Nullable UUID fileId, List<String> types) {
        PersonFile file = fileId == null ? null : files.visible(viewer, fileId);
        if (file == null && types.isEmpty()) {
            throw Refusal.invalid("types", "A cover sheet names a person, a type, or both.");
        }
        List<CoverSheet.Sheet> sheets = new ArrayList<>();
        for (String type : types.isEmpty() ? java.util.Collections.<String>singletonList(null) : types) {
            List<String> lines = new ArrayList<>();
            if (file != null) {
                lines.add(file.name());
                lines.add(file.number()
                        + (file.birthDate() == null ? "" : ", born " + PracticeCalendar.words(file.birthDate())));
            }
            if (type != null) {
                lines.add(catalog.type(type).label());
            }
            lines.add(HINT);
            sheets.add(new CoverSheet.Sheet(new CoverCode(file == null ? null : file.number(), type).written(), lines));
        }
        return pdf(sheets);
    }

    /** A sheet that only says where the next paper begins. */
    byte[] separator() {
        return pdf(List.of(new CoverSheet.Sheet(SplitBatch.SEPARATOR, List.of("Next paper", HINT))));
    }

    private byte[] pdf(List<CoverSheet.Sheet> sheets) {
        try {
            return CoverSheet.pdf(
                    sheets,
                    new CoverSheet.House(settings.name(), settings.mark().orElse(null)));
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }
}
