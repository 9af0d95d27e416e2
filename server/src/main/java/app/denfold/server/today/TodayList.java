package app.denfold.server.today;

import app.denfold.core.rules.Status;
import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.comments.Comments;
import app.denfold.server.content.DamagedContent;
import app.denfold.server.coverage.board.Board;
import app.denfold.server.documents.Decisions;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.handover.HandOvers;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.signing.taking.MyTurns;
import app.denfold.server.standing.UnderWay;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** One list of what waits for the viewer, the most urgent first, and what others did since his last visit. */
@Service
class TodayList {

    private static final int MOST_SLOTS = 400;
    private static final int MOST_PAPERS = 60;
    private static final int MOST_NEWS = 60;
    private static final int DAYS_AHEAD = 7;

    private final Board board;
    private final Documents documents;
    private final Decisions decisions;
    private final Arrivals arrivals;
    private final HandOvers handOvers;
    private final Comments comments;
    private final PersonFiles files;
    private final Accounts accounts;
    private final AuditTrail trail;
    private final DamagedContent damage;
    private final Outbox outbox;
    private final MyTurns turns;
    private final UnderWay underWay;
    private final ChasingItems chasing;
    private final KeepingItems keeping;
    private final PracticeCalendar calendar;

    TodayList(
            Board board,
            Documents documents,
            Decisions decisions,
            Arrivals arrivals,
            HandOvers handOvers,
            Comments comments,
            PersonFiles files,
            Accounts accounts,
            AuditTrail trail,
            DamagedContent damage,
            Outbox outbox,
            MyTurns turns,
            UnderWay underWay,
            ChasingItems chasing,
            KeepingItems keeping,
            PracticeCalendar calendar) {
        this.turns = turns;
        this.chasing = chasing;
        this.keeping = keeping;
        this.damage = damage;
        this.outbox = outbox;
        this.board = board;
        this.documents = documents;
        this.decisions = decisions;
        this.arrivals = arrivals;
        this.handOvers = handOvers;
        this.comments = comments;
        this.files = files;
        this.underWay = underWay;
        this.accounts = accounts;
        this.trail = trail;
        this.calendar = calendar;
    }

    /**
     * Something to do.
     *
     * @param action {@code chase}, {@code review}, {@code check}, {@code send}, {@code sign}, {@code my-signature}, {@code file}, {@code hand-over}, {@code comment},
     *     {@code damaged}, {@code mail-failed}, {@code mail-answer}, {@code plan-task} or {@code unreachable}
     * @param note what a colleague wrote about it; null when nothing
     * @param title whose or what it is
     * @param fileId of the person; null for arrivals
     * @param documentId of the paper to look at; null when none
     * @param slots what it is about, each with its status
     * @param version number of the paper's newest one, for deciding on just that; null where nothing is decided
     * @param turnId of what waits for the viewer's signature or look; null for everything else
     * @param taskId of what the viewer can tick off: a task of a plan, or an answer by mail; null for everything else
     * @param day since when it waits, or by when it is to be done
     */
    record TodayItem(
            String action,
            String title,
            @Nullable UUID fileId,
            @Nullable UUID documentId,
            List<TodaySlot> slots,
            @Nullable LocalDate day,
            @Nullable String note,
            @Nullable Integer version,
            @Nullable UUID turnId,
            @Nullable UUID taskId) {

        TodayItem(
                String action,
                String title,
                @Nullable UUID fileId,
                @Nullable UUID documentId,
                List<TodaySlot> slots,
                @Nullable LocalDate day,
                @Nullable String note,
                @Nullable Integer version) {
            this(action, title, fileId, documentId, slots, day, note, version, null, null);
        }

        TodayItem(
                String action,
                String title,
                @Nullable UUID fileId,
                @Nullable UUID documentId,
                List<TodaySlot> slots,
                @Nullable LocalDate day,
                @Nullable String note) {
            this(action, title, fileId, documentId, slots, day, note, null, null, null);
        }

        TodayItem(
                String action,
                String title,
                @Nullable UUID fileId,
                @Nullable UUID documentId,
                List<TodaySlot> slots,
                @Nullable LocalDate day) {
            this(action, title, fileId, documentId, slots, day, null);
        }
    }

    record TodaySlot(String label, Status status, @Nullable LocalDate day) {}

    record NewsLine(UUID fileId, String name, String who, String sentence, Instant at) {}

    record TodayAnswer(
            LocalDate today,
            List<TodayItem> overdue,
            List<TodayItem> dueToday,
            List<TodayItem> thisWeek,
            @Nullable Instant lastVisit,
            List<NewsLine> news) {}

    @Transactional(readOnly = true)
    public TodayAnswer of(Viewer viewer) {
        LocalDate today = calendar.today();
        List<HandOvers.Lying> lying = handOvers.lyingWith(viewer);
        List<MyTurns.MyTurn> mine = turns.of(viewer);
        Instant visit = accounts.previousVisit(viewer.accountId()).orElse(null);
        return new TodayAnswer(
                today,
                both(
                        both(
                                handed(lying, d -> d != null && d.isBefore(today)),
                                toSign(mine, d -> d != null && d.isBefore(today))),
                        perPerson("chase", board.standing(viewer, OVERDUE, MOST_SLOTS))),
                both(
                        both(
                                handed(lying, d -> d == null || d.equals(today)),
                                toSign(mine, d -> d == null || !d.isBefore(today))),
                        both(mentioned(comments.unseen(viewer)), dueToday(viewer))),
                both(handed(lying, d -> d != null && d.isAfter(today)), thisWeek(viewer, today)),
                visit,
                news(viewer, visit));
    }

    private static List<TodayItem> both(List<TodayItem> first, List<TodayItem> second) {
        List<TodayItem> all = new ArrayList<>(first);
        all.addAll(second);
        return all;
    }

    /** Papers that colleagues handed to the viewer, and that are due so. */
    private static List<TodayItem> handed(List<HandOvers.Lying> lying, Predicate<LocalDate> isDue) {
        return lying.stream()
                .filter(l -> isDue.test(l.due()))
                .map(l -> new TodayItem(
                        "hand-over",
                        l.paper(),
                        l.fileId(),
                        l.documentId(),
                        List.of(),
                        l.due(),
                        "from " + l.from() + (l.with() == null ? "" : ", for " + l.with())
                                + (l.note() == null ? "" : ": “" + l.note() + "”")))
                .toList();
    }

    /** What waits for the viewer's signature or his look, and is due so. */
    private static List<TodayItem> toSign(List<MyTurns.MyTurn> mine, Predicate<LocalDate> isDue) {
        return mine.stream()
                .filter(t -> isDue.test(t.dueOn()))
                .map(t -> new TodayItem(
                        "my-signature",
                        t.person(),
                        null,
                        null,
                        List.of(),
                        t.dueOn(),
                        (t.task() == Task.APPROVE ? "look through " : "sign ") + String.join(", ", t.papers())
                                + (t.forName() == null ? "" : " for " + t.forName()) + ", asked by " + t.askedBy(),
                        null,
                        t.turnId(),
                        null))
                .toList();
    }

    /** Papers in whose comments colleagues mention the viewer. */
    private static List<TodayItem> mentioned(List<Comments.Mention> mentions) {
        return mentions.stream()
                .map(m -> new TodayItem(
                        "comment",
                        m.paper(),
                        m.fileId(),
                        m.documentId(),
                        List.of(),
                        null,
                        m.by() + ": “" + m.words() + "”"))
                .toList();
    }

    private static final List<Status> OVERDUE = List.of(Status.LAPSED, Status.MISSING, Status.SENT_BACK);
    private static final List<Status> ENDING = List.of(Status.EXPIRING, Status.IN_GRACE, Status.NOT_YET_DUE);

    /** One item a person, in the order in which his first slot comes. */
    private static List<TodayItem> perPerson(String action, Collection<Board.WaitingSlot> slots) {
        Map<UUID, List<Board.WaitingSlot>> byFile = new LinkedHashMap<>();
        slots.forEach(
                s -> byFile.computeIfAbsent(s.fileId(), id -> new ArrayList<>()).add(s));
        return byFile.values().stream().map(own -> item(action, own)).toList();
    }

    private static TodayItem item(String action, List<Board.WaitingSlot> own) {
        Board.WaitingSlot first = own.get(0);
        return new TodayItem(
                action,
                first.name(),
                first.fileId(),
                null,
                own.stream()
                        .map(s -> new TodaySlot(s.label(), s.status(), s.since()))
                        .toList(),
                first.since());
    }

    private List<TodayItem> dueToday(Viewer viewer) {
        List<TodayItem> items = new ArrayList<>();
        List<FiledDocument> papers = decisions.toReview(viewer, MOST_PAPERS);
        Map<UUID, String> names =
                names(papers.stream().map(FiledDocument::fileId).distinct().toList());
        Map<UUID, String> forWhom = decisions.deputyFor(viewer, papers);
        for (FiledDocument paper : papers) {
            items.add(new TodayItem(
                    "review",
                    names.getOrDefault(paper.fileId(), ""),
                    paper.fileId(),
                    paper.id(),
                    List.of(new TodaySlot(documents.typeLabel(paper), Status.IN_REVIEW, paper.receivedOn())),
                    paper.receivedOn(),
                    forWhom.containsKey(paper.id()) ? "for " + forWhom.get(paper.id()) : null,
                    paper.versions().size()));
        }
        long toSend = underWay.countToSend(viewer);
        if (toSend > 0) {
            String title =
                    toSend == 1 ? "1 paper waits to be sent or opened" : toSend + " papers wait to be sent or opened";
            items.add(new TodayItem("send", title, null, null, List.of(), null));
        }
        for (UnderWay.UnderWayAnswer paper : underWay.toCheck(viewer, MOST_PAPERS)) {
            items.add(new TodayItem(
                    "check",
                    paper.person(),
                    paper.fileId(),
                    paper.documentId(),
                    List.of(),
                    paper.since(),
                    paper.paper(),
                    paper.version()));
        }
        items.addAll(perPerson("sign", board.standing(viewer, List.of(Status.AWAITING_SIGNATURE), MOST_SLOTS)));
        int waiting = arrivals.countWaiting(viewer);
        if (waiting > 0) {
            String title = waiting == 1 ? "1 paper waits in Arrivals" : waiting + " papers wait in Arrivals";
            items.add(0, new TodayItem("file", title, null, null, List.of(), null));
        }
        items.addAll(keeping.of(viewer));
        items.addAll(0, chasing.of(viewer));
        items.addAll(0, troubles(viewer));
        return items;
    }

    /** What went wrong behind the scenes and somebody has to see to: damaged papers, and mail that did not go out. */
    private List<TodayItem> troubles(Viewer viewer) {
        List<TodayItem> items = new ArrayList<>();
        if (viewer.isAdministrator()) {
            int damaged = damage.all().size();
            if (damaged > 0) {
                String title = damaged == 1 ? "1 stored paper is damaged" : damaged + " stored papers are damaged";
                items.add(new TodayItem("damaged", title, null, null, List.of(), null, damagedNames(viewer)));
            }
        }
        for (Outbox.NoticeAnswer failed : outbox.failed(viewer)) {
            if (failed.cameBack()) {
                // told as an address to be mended
                continue;
            }
            items.add(new TodayItem(
                    "mail-failed",
                    "Mail to " + failed.recipient(),
                    failed.fileId(),
                    null,
                    List.of(),
                    null,
                    "“" + failed.subject() + "” could not be sent: " + failed.result()
                            + (failed.nextAttempt() == null
                                    ? ". It is not tried again by itself."
                                    : ". It is tried again " + calendar.words(failed.nextAttempt()) + ".")));
        }
        return items;
    }

    private String damagedNames(Viewer viewer) {
        List<String> names = damage.all().stream()
                .flatMap(d -> documents.visibleWith(viewer, d.sha256()).stream())
                .map(FiledDocument::name)
                .distinct()
                .limit(5)
                .toList();
        return (names.isEmpty() ? "" : String.join(", ", names) + ". ")
                + "Taking in the same paper once more mends it; otherwise restore it from a back-up.";
    }

    private Map<UUID, String> names(Collection<UUID> fileIds) {
        Map<UUID, String> names = new HashMap<>();
        for (PersonFile file : files.files(fileIds)) {
            names.put(file.id(), file.name());
        }
        return names;
    }

    private static LocalDate lastDay(Board.WaitingSlot slot) {
        return Objects.requireNonNull(slot.nextChangeOn()).minusDays(1);
    }

    private List<TodayItem> thisWeek(Viewer viewer, LocalDate today) {
        List<Board.WaitingSlot> ending = board.standing(viewer, ENDING, 5 * MOST_SLOTS).stream()
                .filter(s -> s.nextChangeOn() != null
                        && ChronoUnit.DAYS.between(today, s.nextChangeOn()) <= DAYS_AHEAD
                        && s.nextStatus() != null
                        && s.nextStatus().isWorse())
                .sorted(Comparator.comparing(TodayList::lastDay))
                .toList();
        Map<UUID, List<Board.WaitingSlot>> byFile = new LinkedHashMap<>();
        ending.forEach(
                s -> byFile.computeIfAbsent(s.fileId(), id -> new ArrayList<>()).add(s));
        return byFile.values().stream()
                .map(own -> new TodayItem(
                        "chase",
                        own.get(0).name(),
                        own.get(0).fileId(),
                        null,
                        own.stream()
                                .map(s -> new TodaySlot(s.label(), s.status(), lastDay(s)))
                                .toList(),
                        lastDay(own.get(0))))
                .toList();
    }

    /** What the viewer may know, of files that he may see. */
    private List<NewsLine> news(Viewer viewer, @Nullable Instant visit) {
        if (visit == null) {
            return List.of();
        }
        List<AuditTrail.FileLine> all = trail.since(viewer, visit, MOST_NEWS);
        Set<UUID> visible = files.visibleAmong(
                viewer, all.stream().map(AuditTrail.FileLine::fileId).toList());
        List<AuditTrail.FileLine> lines =
                all.stream().filter(l -> visible.contains(l.fileId())).toList();
        Map<UUID, String> names =
                names(lines.stream().map(AuditTrail.FileLine::fileId).distinct().toList());
        return lines.stream()
                .map(l -> new NewsLine(
                        l.fileId(),
                        names.getOrDefault(l.fileId(), ""),
                        l.line().who(),
                        l.line().sentence(),
                        l.line().at()))
                .toList();
    }
}
