package app.denfold.server.demo;

import app.denfold.server.access.Actor;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.people.PersonDetails;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The demo practice's own files: the yard, its buildings and land, and what it drives. */
@Component
class DemoPractice {

    private static final Actor OTTILIE = Actor.system("Ottilie Brandmoor");
    private static final String YARD = "Oakhollin Riding & Therapy Yard";

    private final PersonFiles files;
    private final Catalog catalog;
    private final Documents documents;
    private final DemoStore store;

    DemoPractice(PersonFiles files, Catalog catalog, Documents documents, DemoStore store) {
        this.files = files;
        this.catalog = catalog;
        this.documents = documents;
        this.store = store;
    }

    /** Two of their papers run out soon, one has lapsed, one was never received. */
    void load(LocalDate today) {
        PersonFile yard = open(YARD, "organisation", "whole practice", today);
        paper(yard, "public-liability", today.minusDays(340), today.plusDays(25), today);
        paper(yard, "statutes", today.minusYears(6), null, today);
        paper(yard, "minutes", today.minusMonths(9), null, today);
        paper(yard, "minutes", today.minusMonths(21), null, today);
        paper(yard, "operating-permit", today.minusYears(3), today.plusYears(2), today);
        for (String building : List.of("Indoor Arena", "Lower Stables", "Therapy Rooms")) {
            PersonFile file = open(building, "building", "Fen Lane", today);
            paper(file, "building-insurance", today.minusDays(150), today.plusDays(215), today);
            boolean lapsed = building.equals("Lower Stables");
            paper(file, "fire-inspection", today.minusDays(lapsed ? 372 : 120), null, today);
            paper(file, "electrical-inspection", today.minusMonths(30), null, today);
        }
        PersonFile meadow = open("Quarry Meadow", "land", "Quarry Meadow", today);
        paper(meadow, "premises-lease", today.minusYears(4), today.plusDays(80), today);
        PersonFile minibus = open("Yard Minibus", "vehicle", "Fen Lane", today);
        paper(minibus, "vehicle-insurance", today.minusDays(200), today.plusDays(165), today);
        paper(minibus, "vehicle-inspection", today.minusDays(90), null, today);
    }

    private PersonFile open(String name, String concerns, String place, LocalDate today) {
        return files.open(
                PersonDetails.since(
                        "practice",
                        "",
                        name,
                        null,
                        null,
                        "Office",
                        today.minusYears(6),
                        Map.of("concerns", concerns, "place", place, "inCharge", "Ottilie Brandmoor")),
                false,
                OTTILIE);
    }

    private void paper(PersonFile file, String type, LocalDate dated, @Nullable LocalDate expires, LocalDate today) {
        List<String> text = PaperText.of(type, catalog.type(type).label(), file, dated, expires);
        documents.takeOver(
                OTTILIE,
                new FilingDetails(
                        file.id(),
                        type,
                        List.of(),
                        dated,
                        null,
                        expires,
                        PaperText.fields(type, file.name()),
                        null,
                        null),
                new Documents.Received(
                        store.keep(DemoPapers.typed(PaperText.letterhead(type), text), text),
                        dated.plusDays(1).isAfter(today) ? today : dated.plusDays(1),
                        "dropped into Arrivals by Ottilie Brandmoor"),
                new Documents.History(null, null, null, null, List.of()));
    }
}
