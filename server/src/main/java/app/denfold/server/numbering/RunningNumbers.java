package app.denfold.server.numbering;

import app.denfold.core.numbering.NumberForm;
import app.denfold.core.numbering.NumberPlace;
import app.denfold.paper.copies.NumberedCopy;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.jobs.Jobs;
import app.denfold.server.numbering.NumberedPaper.Source;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Gives numbers to the pages of papers, each number once, and knows which page has which. */
@Service
class RunningNumbers {

    static final int MOST_PAPERS = 2_000;
    static final int MOST_PAGES = 20_000;

    private final NumberSeriesRepository series;
    private final NumberSetRepository sets;
    private final NumberedPaperRepository papers;
    private final NumberedCopies copies;
    private final Documents documents;
    private final PersonFiles files;
    private final Jobs jobs;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    RunningNumbers(
            NumberSeriesRepository series,
            NumberSetRepository sets,
            NumberedPaperRepository papers,
            NumberedCopies copies,
            Documents documents,
            PersonFiles files,
            Jobs jobs,
            AuditTrail trail,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.series = series;
        this.sets = sets;
        this.papers = papers;
        this.copies = copies;
        this.documents = documents;
        this.files = files;
        this.jobs = jobs;
        this.trail = trail;
        this.calendar = calendar;
        this.transactions = transactions;
    }

    /**
     * Which papers are to be numbered, and how.
     *
     * @param documents in the order of their numbers
     * @param first number; null to go on where the last set with these letters ended
     * @param size of the letters in points
     */
    record Wish(
            List<UUID> documents,
            String prefix,
            int digits,
            @Nullable Long first,
            NumberPlace place,
            float size) {}

    /** Which numbers a paper would have, written. */
    record PlannedPaper(UUID documentId, String paper, int pages, String first, String last) {}

    /** What would be given. @param next the first number with these letters that is free */
    record NumberPlan(long next, long first, int pages, String words, List<PlannedPaper> papers) {}

    /** Nothing is given yet. @throws Refusal when it cannot be, with the reason */
    NumberPlan look(Viewer viewer, Wish wish) {
        NumberForm form = form(wish);
        List<FiledDocument> chosen = chosen(viewer, wish);
        List<Source> sources = copies.sources(chosen);
        long next = Objects.requireNonNull(transactions.execute(
                t -> series.findById(form.series()).map(NumberSeries::next).orElse(1L)));
        long first = first(form, wish, sources, next);
        List<PlannedPaper> planned = new ArrayList<>();
        long at = first;
        for (int i = 0; i < sources.size(); i++) {
            int pages = sources.get(i).pages();
            planned.add(new PlannedPaper(
                    chosen.get(i).id(), chosen.get(i).name(), pages, form.written(at), form.written(at + pages - 1)));
            at += pages;
        }
        return new NumberPlan(next, first, pages(sources), NumberSet.words(form, first, at - 1), planned);
    }

    private static NumberForm form(Wish wish) {
        if (wish.size < NumberedCopy.SMALLEST || wish.size > NumberedCopy.LARGEST) {
            throw Refusal.invalid("size", "The letters are from 6 to 24 points.");
        }
        try {
            return new NumberForm(wish.prefix, wish.digits);
        } catch (IllegalArgumentException wrong) {
            throw Refusal.invalid("prefix", wrong.getMessage());
        }
    }

    private List<FiledDocument> chosen(Viewer viewer, Wish wish) {
        List<UUID> ids = wish.documents.stream().distinct().toList();
        if (ids.isEmpty() || ids.size() > MOST_PAPERS) {
            throw Refusal.invalid("documents", "Choose from 1 to " + MOST_PAPERS + " papers.");
        }
        Map<UUID, FiledDocument> visible =
                documents.visible(viewer, ids).stream().collect(Collectors.toMap(FiledDocument::id, d -> d));
        return ids.stream()
                .map(id -> Optional.ofNullable(visible.get(id)).orElseThrow(() -> Refusal.notFound("document")))
                .toList();
    }

    private static int pages(List<Source> sources) {
        return sources.stream().mapToInt(Source::pages).sum();
    }

    /** @throws Refusal when numbers from it on were given already, there are too many pages, or it is out of range */
    private static long first(NumberForm form, Wish wish, List<Source> sources, long next) {
        int pages = pages(sources);
        if (pages > MOST_PAGES) {
            throw Refusal.invalid(
                    "documents", "Together they have " + pages + " pages; number at most " + MOST_PAGES + " at once.");
        }
        long first = wish.first == null ? next : wish.first;
        if (first < 1 || first + pages - 1 > NumberForm.LARGEST) {
            throw Refusal.invalid("first", "Numbers run from 1 to " + NumberForm.LARGEST + ".");
        }
        if (first < next) {
            throw Refusal.conflict(
                    "given",
                    "%s was given already, and no number is given twice. The next free one is %s."
                            .formatted(form.written(first), form.written(next)),
                    Map.of("next", next));
        }
        return first;
    }

    /**
     * Gives the numbers; they stand on copies as soon as the job has made these.
     *
     * @return the set's id
     * @throws Refusal as above, or when others took these numbers meanwhile
     */
    UUID give(Viewer viewer, Wish wish) {
        viewer.requireChange();
        NumberForm form = form(wish);
        List<FiledDocument> chosen = chosen(viewer, wish);
        List<Source> sources = copies.sources(chosen);
        NumberSet set = Objects.requireNonNull(transactions.execute(t -> take(viewer, form, wish, chosen, sources)));
        return set.id();
    }

    private NumberSet take(
            Viewer viewer, NumberForm form, Wish wish, List<FiledDocument> chosen, List<Source> sources) {
        series.addUnlessThere(form.series());
        NumberSeries own = series.lock(form.series()).orElseThrow();
        long first = first(form, wish, sources, own.next());
        long last = first + pages(sources) - 1;
        own.taken(last);
        String words = NumberSet.words(form, first, last);
        UUID job = jobs.begin("numbers", "Numbers " + words, pages(sources), viewer.actor());
        NumberSet set = sets.save(new NumberSet(
                form, first, last, new NumberSet.Look(wish.place, wish.size), job, viewer, calendar.now()));
        long at = first;
        for (int i = 0; i < sources.size(); i++) {
            Source source = sources.get(i);
            papers.save(new NumberedPaper(set.id(), i, source, at));
            FiledDocument paper = chosen.get(i);
            trail.record(new AuditEntry(
                    viewer.actor(),
                    "numbered",
                    paper.fileId(),
                    paper.id(),
                    "numbered the pages of “" + paper.name() + "”: "
                            + NumberSet.words(form, at, at + source.pages() - 1)));
            at += source.pages();
        }
        copies.begin(job);
        return set;
    }

    /** Tries again to make the copies that are lacking. @throws Refusal when the viewer may not, or none is lacking */
    @Transactional
    public void again(Viewer viewer, UUID setId) {
        viewer.requireChange();
        NumberSet set = sets.findById(setId).orElseThrow(() -> Refusal.notFound("set of numbers"));
        List<NumberedPaper> all = papers.findBySetIdOrderByPlace(setId);
        if (visible(viewer, all).isEmpty()) {
            throw Refusal.notFound("set of numbers");
        }
        if (all.stream().noneMatch(p -> p.failure() != null)) {
            throw Refusal.conflict("none-lacking", "Nothing failed in this set.");
        }
        int pages = all.stream().mapToInt(NumberedPaper::pages).sum();
        UUID job = jobs.begin("numbers", "Numbers " + set.inWords(), pages, viewer.actor());
        set.goOn(job);
        sets.save(set);
        copies.begin(job);
    }

    /** A paper of a set. @param isMade whether its copy can be fetched @param failure why there is none; null otherwise */
    record NumberedPaperAnswer(
            UUID documentId,
            UUID fileId,
            String paper,
            String first,
            String last,
            boolean isMade,
            @Nullable String failure) {}

    /**
     * A set, as far as the viewer may see its papers.
     *
     * @param words from the first number to the last that the viewer may know of, such as {@code OAK-000001 to OAK-000012}
     * @param destroyed how many pages belonged to papers that were destroyed
     */
    record NumberSetAnswer(
            UUID id, String words, int destroyed, String by, Instant at, List<NumberedPaperAnswer> papers) {}

    /** Those in which papers of a file have numbers, the newest first. */
    @Transactional(readOnly = true)
    public List<NumberSetAnswer> ofFile(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return sets.findByIdInOrderByAtDesc(papers.findSetsOfFile(fileId)).stream()
                .map(set -> answer(viewer, set))
                .filter(set -> !set.papers().isEmpty())
                .toList();
    }

    private NumberSetAnswer answer(Viewer viewer, NumberSet set) {
        NumberForm form = set.form();
        List<NumberedPaper> all = papers.findBySetIdOrderByPlace(set.id());
        Map<UUID, FiledDocument> visible = visible(viewer, all);
        List<NumberedPaperAnswer> seen = new ArrayList<>();
        int destroyed = 0;
        for (NumberedPaper paper : all) {
            FiledDocument document = paper.documentId() == null ? null : visible.get(paper.documentId());
            if (paper.documentId() == null) {
                destroyed += paper.pages();
            } else if (document != null) {
                seen.add(new NumberedPaperAnswer(
                        document.id(),
                        document.fileId(),
                        document.name(),
                        form.written(paper.first()),
                        form.written(paper.last()),
                        paper.copySha256() != null,
                        paper.failure()));
            }
        }
        List<NumberedPaper> told = all.stream()
                .filter(p -> p.documentId() != null && visible.containsKey(p.documentId()))
                .toList();
        return new NumberSetAnswer(set.id(), words(form, told), destroyed, set.byName(), set.at(), seen);
    }

    /** From the first to the last of them; empty for none. */
    private static String words(NumberForm form, List<NumberedPaper> told) {
        return told.isEmpty()
                ? ""
                : NumberSet.words(
                        form, told.get(0).first(), told.get(told.size() - 1).last());
    }

    private Map<UUID, FiledDocument> visible(Viewer viewer, Collection<NumberedPaper> all) {
        Set<UUID> ids = new HashSet<>();
        all.forEach(p -> {
            if (p.documentId() != null) {
                ids.add(p.documentId());
            }
        });
        Map<UUID, FiledDocument> visible = new HashMap<>();
        documents.visible(viewer, ids).forEach(d -> visible.put(d.id(), d));
        return visible;
    }

    /** Where a number stands. @param number as it was written */
    record FoundNumber(String number, UUID fileId, UUID documentId, String paper, int page, UUID setId) {}

    /** @return empty when this is no number, it was never given, or the viewer may not see its paper */
    @Transactional(readOnly = true)
    public Optional<FoundNumber> find(Viewer viewer, String typed) {
        return NumberForm.read(typed).flatMap(read -> sets.findWith(read.series(), read.number())
                .flatMap(set -> papers.findWith(set.id(), read.number()).flatMap(paper -> {
                    FiledDocument document = paper.documentId() == null
                            ? null
                            : visible(viewer, List.of(paper)).get(paper.documentId());
                    return document == null
                            ? Optional.empty()
                            : Optional.of(new FoundNumber(
                                    set.form().written(read.number()),
                                    document.fileId(),
                                    document.id(),
                                    document.name(),
                                    (int) (read.number() - paper.first() + 1),
                                    set.id()));
                })));
    }

    /** A set that is fetched: its copies in their order, each under the numbers it bears. */
    record FetchedSet(String words, List<NumberedCopies.Part> parts) {}

    /** @throws Refusal when there is no such set, one of its copies is not made yet, or none may be seen */
    FetchedSet fetch(Viewer viewer, UUID setId) {
        NumberSet set = sets.findById(setId).orElseThrow(() -> Refusal.notFound("set of numbers"));
        List<NumberedPaper> all = papers.findBySetIdOrderByPlace(setId);
        Map<UUID, FiledDocument> visible = Objects.requireNonNull(transactions.execute(t -> visible(viewer, all)));
        List<NumberedPaper> seen = all.stream()
                .filter(p -> p.documentId() != null && visible.containsKey(p.documentId()))
                .toList();
        if (seen.isEmpty()) {
            throw Refusal.notFound("set of numbers");
        }
        List<NumberedCopies.Part> parts = new ArrayList<>();
        for (NumberedPaper paper : seen) {
            FiledDocument document = Objects.requireNonNull(visible.get(paper.documentId()));
            if (paper.copySha256() == null) {
                throw Refusal.conflict(
                        "not-made",
                        paper.failure() == null
                                ? "The copies are still being made. Try again in a moment."
                                : "“" + document.name() + "” could not be numbered: " + paper.failure());
            }
            NumberedCopies.Present copy = copies.present(set, paper);
            parts.add(new NumberedCopies.Part(
                    NumberSet.words(set.form(), paper.first(), paper.last()) + " "
                            + (copy.isCovered() ? documents.typeLabel(document) : document.name()),
                    copy.sha256()));
        }
        transactions.executeWithoutResult(t -> seen.forEach(p -> {
            FiledDocument document = Objects.requireNonNull(visible.get(p.documentId()));
            trail.record(new AuditEntry(
                    viewer.actor(),
                    "downloaded",
                    document.fileId(),
                    document.id(),
                    "downloaded “" + document.name() + "” with the numbers "
                            + NumberSet.words(set.form(), p.first(), p.last())));
        }));
        return new FetchedSet(words(set.form(), seen), parts);
    }
}
