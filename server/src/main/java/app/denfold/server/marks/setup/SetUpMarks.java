package app.denfold.server.marks.setup;

import app.denfold.core.marks.MarkShape;
import app.denfold.core.marks.StampWords;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.sets.SetUpPart;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Keeps the practice's stamps and its reasons for covering, also as a part of the whole set-up. */
@Service
class SetUpMarks implements SetUpPart {

    private static final int MOST = 40;

    private final MarkChoicesRepository choices;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final JsonMapper mapper = new JsonMapper();

    SetUpMarks(MarkChoicesRepository choices, AuditTrail trail, PracticeCalendar calendar) {
        this.choices = choices;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** @param stamps with places for day and name, as they are set up */
    record Kept(List<String> stamps, List<String> reasons) {}

    Kept kept() {
        return choices.findById((short) 1)
                .map(c -> new Kept(c.stamps(), c.reasons()))
                .orElse(new Kept(List.of(), List.of()));
    }

    /** The same with today and the viewer in their places. */
    Kept offered(Viewer viewer) {
        Kept kept = kept();
        return new Kept(
                kept.stamps().stream()
                        .map(s -> StampWords.filled(s, calendar.today(), viewer.name()))
                        .toList(),
                kept.reasons());
    }

    /** @throws Refusal when there are too many, or one is too long */
    @Transactional
    void change(Viewer viewer, Kept to) {
        viewer.requireAdministrator();
        MarkChoices kept = choices.findById((short) 1).orElseThrow(() -> Refusal.notFound("set-up"));
        kept.change(
                checked("stamps", to.stamps(), MarkShape.LONGEST_STAMP),
                checked("reasons", to.reasons(), MarkShape.LONGEST_REASON));
        choices.save(kept);
        trail.record(AuditEntry.general(
                viewer.actor(),
                "set-up",
                "set stamps (" + String.join(" · ", kept.stamps()) + ") and reasons for covering ("
                        + String.join(" · ", kept.reasons()) + ")"));
    }

    private static List<String> checked(String field, List<String> words, int longest) {
        List<String> kept = words.stream()
                .map(String::strip)
                .filter(w -> !w.isEmpty())
                .distinct()
                .toList();
        if (kept.size() > MOST) {
            throw Refusal.invalid(field, "Keep up to " + MOST + " of them, so that the right one is found.");
        }
        kept.stream().filter(w -> w.length() > longest).findFirst().ifPresent(w -> {
            throw Refusal.invalid(field, "“" + w.substring(0, 20) + "…” has more than " + longest + " letters.");
        });
        return kept;
    }

    @Override
    public String name() {
        return "marks";
    }

    @Override
    public JsonNode out() {
        ObjectNode part = mapper.createObjectNode();
        part.set("stamps", mapper.valueToTree(kept().stamps()));
        part.set("reasons", mapper.valueToTree(kept().reasons()));
        return part;
    }

    @Override
    public void in(Viewer viewer, JsonNode part) {
        change(viewer, new Kept(words(part.get("stamps")), words(part.get("reasons"))));
    }

    private static List<String> words(JsonNode words) {
        List<String> all = new ArrayList<>();
        words.valueStream().forEach(w -> all.add(w.stringValue()));
        return all;
    }
}
