package app.denfold.server.arrivals.splitting;

import app.denfold.core.filing.SplitBatch;
import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ArrivalRepository;
import app.denfold.server.arrivals.PageRef;
import app.denfold.server.arrivals.WaitingArrivals;
import app.denfold.server.arrivals.proposing.ProposeForArrival;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Contents;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.ReadPage;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Splits, joins, turns and orders the pages of waiting papers. What came in stays as it came; every step can be undone. */
@Service
public class EditPages {

    private final ArrivalRepository arrivals;
    private final ArrivalStepRepository steps;
    private final WaitingArrivals waiting;
    private final ProposeForArrival proposals;
    private final Contents contents;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    EditPages(
            ArrivalRepository arrivals,
            ArrivalStepRepository steps,
            WaitingArrivals waiting,
            ProposeForArrival proposals,
            Contents contents,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.arrivals = arrivals;
        this.steps = steps;
        this.waiting = waiting;
        this.proposals = proposals;
        this.contents = contents;
        this.trail = trail;
        this.calendar = calendar;
    }

    private List<PageRef> pages(Arrival arrival) {
        return arrival.pages(contents.content(arrival.sha256()).pages());
    }

    /**
     * Splits a paper in two.
     *
     * @param after how many pages stay; from 1 to one less than it has
     * @return the id of the new second one
     */
    @Transactional
    public UUID split(Viewer viewer, UUID id, int version, int after) {
        Arrival arrival = waiting.ofVersion(viewer, id, version);
        List<PageRef> pages = pages(arrival);
        if (after < 1 || after >= pages.size()) {
            throw Refusal.invalid("after", "There is nothing to split off there.");
        }
        List<Arrival> batch = arrivals.findBatch(arrival.batch());
        List<ArrivalStep.Before> before = new ArrayList<>(List.of(ArrivalStep.Before.of(arrival)));
        for (Arrival later : batch) {
            if (later.place() > arrival.place()) {
                before.add(ArrivalStep.Before.of(later));
                later.moveTo(later.place() + 1);
            }
        }
        Arrival second = arrivals.save(arrival.part(
                arrival.place() + 1, pages.subList(after, pages.size()), "split by " + viewer.name(), null));
        arrival.holdPages(pages.subList(0, after));
        before.add(ArrivalStep.Before.none(second));
        note(viewer.actor(), arrival, "split after page " + after, before);
        proposals.renew(arrival);
        proposals.renew(second);
        return second.id();
    }

    /** Puts the pages of a paper behind those of another one; the paper itself is no more shown. */
    @Transactional
    public void join(Viewer viewer, UUID id, int version, UUID with) {
        Arrival arrival = waiting.ofVersion(viewer, id, version);
        Arrival first = waiting.of(viewer, with);
        if (first.id().equals(arrival.id())) {
            throw Refusal.invalid("with", "A paper cannot be joined with itself.");
        }
        if (pages(arrival).isEmpty() || pages(first).isEmpty()) {
            throw Refusal.invalid("with", "Only papers whose pages can be shown are joined.");
        }
        List<ArrivalStep.Before> before = List.of(ArrivalStep.Before.of(arrival), ArrivalStep.Before.of(first));
        List<PageRef> all = new ArrayList<>(pages(first));
        all.addAll(pages(arrival));
        first.holdPages(all);
        arrival.join(viewer.actor(), calendar.now());
        note(viewer.actor(), first, "joined “" + arrival.fileName() + "” to it", before);
        proposals.renew(first);
    }

    /**
     * Gives a paper these pages, in this order: for turning, ordering, dropping and bringing back.
     *
     * @param now at least one; each a page of the batch that no other paper of it holds
     */
    @Transactional
    public void hold(Viewer viewer, UUID id, int version, List<PageRef> now, String words) {
        Arrival arrival = waiting.ofVersion(viewer, id, version);
        if (now.isEmpty()) {
            throw Refusal.invalid("pages", "A paper keeps at least one page. To be rid of it, set it aside.");
        }
        List<PageRef> free = new ArrayList<>(pages(arrival));
        free.addAll(leftOut(arrival));
        for (int i = 0; i < now.size(); i++) {
            PageRef page = now.get(i);
            boolean known = free.stream().anyMatch(page::isSamePageAs);
            boolean twice = now.subList(0, i).stream().anyMatch(page::isSamePageAs);
            if (!known || twice || page.turn() % 90 != 0) {
                throw Refusal.invalid("pages", "Page " + page.page() + " is in another paper or named twice.");
            }
        }
        List<ArrivalStep.Before> before = List.of(ArrivalStep.Before.of(arrival));
        arrival.holdPages(now.stream().map(p -> p.turnedBy(0)).toList());
        note(viewer.actor(), arrival, words, before);
        proposals.renew(arrival);
    }

    /** Moves one page to the end of another paper. */
    @Transactional
    public void move(Viewer viewer, UUID id, int version, int position, UUID to) {
        Arrival arrival = waiting.ofVersion(viewer, id, version);
        Arrival target = waiting.of(viewer, to);
        List<PageRef> pages = new ArrayList<>(pages(arrival));
        if (position < 1 || position > pages.size() || arrival.id().equals(target.id())) {
            throw Refusal.invalid("position", "There is no such page to move.");
        }
        if (pages.size() == 1) {
            throw Refusal.invalid("position", "Its only page cannot be moved away; join the two papers instead.");
        }
        List<ArrivalStep.Before> before = List.of(ArrivalStep.Before.of(arrival), ArrivalStep.Before.of(target));
        List<PageRef> there = new ArrayList<>(pages(target));
        there.add(pages.remove(position - 1));
        arrival.holdPages(pages);
        target.holdPages(there);
        note(viewer.actor(), arrival, "moved page " + position + " to another paper", before);
        proposals.renew(arrival);
        proposals.renew(target);
    }

    /** Pages of the batch that no paper of it holds: cover sheets, separators, dropped ones. */
    public List<PageRef> leftOut(Arrival arrival) {
        List<Arrival> batch = arrivals.findBatch(arrival.batch());
        List<PageRef> held = batch.stream()
                .filter(a -> a.state() != Arrival.State.SPLIT && a.state() != Arrival.State.JOINED)
                .flatMap(a -> pages(a).stream())
                .toList();
        List<PageRef> all = new ArrayList<>();
        batch.stream().map(Arrival::sha256).distinct().forEach(sha -> {
            int count = contents.content(sha).pages();
            for (int page = 1; page <= count; page++) {
                all.add(new PageRef(sha, page, 0));
            }
        });
        return all.stream()
                .filter(page -> held.stream().noneMatch(page::isSamePageAs))
                .toList();
    }

    /**
     * Splits a waiting paper by rules; does nothing when they find a single document with all pages, or a page could not
     * be read.
     *
     * @return how many papers it became
     */
    @Transactional
    public int splitByRules(Actor by, Arrival arrival, SplitBatch.Rules rules) {
        List<PageRef> refs = pages(arrival);
        List<ReadPage> read = proposals.readEach(refs);
        if (read.stream().anyMatch(Objects::isNull)) {
            return 1;
        }
        List<app.denfold.core.filing.Clues.PageClues> clues = new ArrayList<>();
        for (int i = 0; i < read.size(); i++) {
            clues.add(read.get(i).asClues(i + 1));
        }
        SplitBatch.Split split = SplitBatch.split(clues, rules);
        if (split.parts().isEmpty()
                || (split.parts().size() == 1 && split.leftOut().isEmpty())) {
            return 1;
        }
        List<Arrival> batch = arrivals.findBatch(arrival.batch());
        List<ArrivalStep.Before> before = new ArrayList<>(List.of(ArrivalStep.Before.of(arrival)));
        int more = split.parts().size();
        for (Arrival later : batch) {
            if (later.place() > arrival.place()) {
                before.add(ArrivalStep.Before.of(later));
                later.moveTo(later.place() + more);
            }
        }
        int place = arrival.place();
        List<Arrival> parts = new ArrayList<>();
        for (SplitBatch.Part part : split.parts()) {
            List<PageRef> own = part.pages().stream().map(n -> refs.get(n - 1)).toList();
            parts.add(arrivals.save(arrival.part(++place, own, "new document: " + part.reason(), part.cover())));
        }
        parts.forEach(p -> before.add(ArrivalStep.Before.none(p)));
        arrival.becomePartsOf(by, calendar.now());
        note(by, arrival, "split into " + parts.size() + (parts.size() == 1 ? " paper" : " papers"), before);
        parts.forEach(proposals::renew);
        return parts.size();
    }

    /** Splits by hand-picked rules. */
    @Transactional
    public int splitByRules(Viewer viewer, UUID id, int version, SplitBatch.Rules rules) {
        Arrival arrival = waiting.ofVersion(viewer, id, version);
        List<ReadPage> read = proposals.readEach(pages(arrival));
        if (read.stream().anyMatch(Objects::isNull)) {
            throw Refusal.conflict("not-read", "Its pages are still being read. Try again in a moment.");
        }
        int parts = splitByRules(viewer.actor(), arrival, rules);
        if (parts == 1 && arrival.state() == Arrival.State.WAITING) {
            throw Refusal.conflict("nothing-split", "By these signs it is one document; nothing was split.");
        }
        return parts;
    }

    /**
     * Undoes the last step of a batch.
     *
     * @return in words what was undone
     * @throws Refusal when there is none, or one of its papers was filed or set aside since
     */
    @Transactional
    public String undo(Viewer viewer, UUID id) {
        viewer.requireChange();
        Arrival any = waiting.visible(viewer, id);
        ArrivalStep step = steps.findFirstByBatchIdOrderByAtDescIdDesc(any.batch())
                .orElseThrow(() -> Refusal.conflict("nothing-to-undo", "Nothing was changed in this batch."));
        List<Arrival> touched = new ArrayList<>();
        for (ArrivalStep.Before before : step.before()) {
            Arrival arrival = arrivals.findById(before.arrivalId()).orElseThrow();
            boolean movedOn = arrival.state() == Arrival.State.FILED || arrival.state() == Arrival.State.SET_ASIDE;
            boolean movedOnly = before.existed() && before.state() == arrival.state();
            if (movedOn && !movedOnly) {
                throw Refusal.conflict(
                        "built-on", "One of these papers was filed or set aside since. Undo that first.");
            }
            touched.add(arrival);
        }
        for (int i = 0; i < touched.size(); i++) {
            ArrivalStep.Before before = step.before().get(i);
            if (before.existed()) {
                touched.get(i).standAs(Objects.requireNonNull(before.state()));
                touched.get(i).holdPages(before.pages());
                touched.get(i).moveTo(before.place());
            } else {
                arrivals.delete(touched.get(i));
            }
        }
        steps.delete(step);
        trail.record(AuditEntry.ofFile(
                        viewer.actor(),
                        "pages-undone",
                        any.fileId(),
                        "undid in “" + any.fileName() + "”: " + step.words())
                .aboutWaiting(any.seemingTypes()));
        return step.words();
    }

    private void note(Actor by, Arrival arrival, String words, List<ArrivalStep.Before> before) {
        steps.save(new ArrivalStep(arrival.batch(), by, words, before, calendar.now()));
        trail.record(
                AuditEntry.ofFile(by, "pages-changed", arrival.fileId(), "in “" + arrival.fileName() + "”: " + words)
                        .aboutWaiting(arrival.seemingTypes()));
    }
}
