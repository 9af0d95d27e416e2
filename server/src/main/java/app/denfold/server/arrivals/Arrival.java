package app.denfold.server.arrivals;

import app.denfold.core.filing.CoverCode;
import app.denfold.server.access.Actor;
import app.denfold.server.content.Contents;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.OptimisticLock;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** Something received that is not filed yet, or a part of it that was split off. */
@Entity
public class Arrival {

    /** How it came in. */
    public enum Source {
        DROP,
        PICKUP,
        PORTAL,
        MAIL,
        LINK
    }

    /** Where it stands. One that was split, or joined to another, is kept and shows no more. */
    public enum State {
        WAITING,
        SET_ASIDE,
        FILED,
        DISCARDED,
        SPLIT,
        JOINED
    }

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    @Enumerated(EnumType.STRING)
    private Source source;

    private String broughtBy;
    private @Nullable UUID accountId;
    private @Nullable UUID fileId;
    private @Nullable String suggestedType;
    private @Nullable String note;
    private @Nullable String sender;
    private @Nullable String message;
    private @Nullable String origin;
    private String fileName;
    private String sha256;

    @Enumerated(EnumType.STRING)
    private State state;

    private @Nullable String reason;
    private Instant receivedAt;
    private @Nullable UUID documentId;

    /** Who filed, discarded, split or joined it, and when; null while it waits or is set aside. */
    private @Nullable UUID handledById;

    private @Nullable String handledBy;
    private @Nullable Instant handledAt;

    /** The arrival it was split from; null for one that came by itself. */
    private @Nullable UUID batchId;

    @OptimisticLock(excluded = true)
    private int place;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable List<PageRef> pages;

    private @Nullable String begins;
    private @Nullable String cover;
    private @Nullable String coverType;
    /** What is proposed changes as the paper is read; who looks at it must not be told that it was handled. */
    @OptimisticLock(excluded = true)
    private @Nullable UUID proposedFile;

    @OptimisticLock(excluded = true)
    private @Nullable String proposedType;

    @OptimisticLock(excluded = true)
    private @Nullable LocalDate proposedDated;

    @SuppressWarnings("NullAway.Init")
    protected Arrival() {}

    public Arrival(ReceivedPaper paper, Contents.Taken taken, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.source = paper.source();
        this.broughtBy = paper.by().name();
        this.accountId = paper.by().id();
        this.fileId = paper.fileId();
        this.suggestedType = paper.suggestedType();
        this.note = paper.note();
        this.sender = paper.sender();
        this.message = paper.message();
        this.origin = paper.origin();
        this.fileName = paper.fileName();
        this.receivedAt = now;
        if (taken instanceof Contents.SetAside aside) {
            this.sha256 = aside.sha256();
            this.state = State.SET_ASIDE;
            this.reason = aside.reason();
        } else {
            this.sha256 = ((Contents.Whole) taken).sha256();
            this.state = State.WAITING;
        }
    }

    /**
     * A part of this one, waiting in its own right.
     *
     * @param at its place among the parts
     * @param why why it begins where it does, in words
     */
    public Arrival part(int at, List<PageRef> ofIt, String why, @Nullable CoverCode coverCode) {
        Arrival part = new Arrival();
        part.id = UuidCreator.getTimeOrderedEpoch();
        part.source = source;
        part.broughtBy = broughtBy;
        part.accountId = accountId;
        part.fileId = fileId;
        part.suggestedType = suggestedType;
        part.note = note;
        part.sender = sender;
        part.message = message;
        part.fileName = fileName;
        part.sha256 = sha256;
        part.receivedAt = receivedAt;
        part.state = State.WAITING;
        part.batchId = batch();
        part.place = at;
        part.pages = List.copyOf(ofIt);
        part.begins = why;
        part.cover = coverCode == null ? null : coverCode.written();
        part.coverType = coverCode == null ? null : coverCode.type();
        return part;
    }

    public void file(UUID document, Actor by, Instant at) {
        this.documentId = document;
        handle(State.FILED, by, at);
    }

    private void handle(State become, Actor by, Instant at) {
        this.state = become;
        this.handledById = by.id();
        this.handledBy = by.name();
        this.handledAt = at;
    }

    public void takeBack() {
        this.documentId = null;
        standAs(State.WAITING);
    }

    public void setAside(String why) {
        this.state = State.SET_ASIDE;
        this.reason = why;
    }

    public void takeUpAgain() {
        this.state = State.WAITING;
        this.reason = null;
    }

    public void discard(String why, Actor by, Instant at) {
        this.reason = why;
        handle(State.DISCARDED, by, at);
    }

    public void becomePartsOf(Actor by, Instant at) {
        handle(State.SPLIT, by, at);
    }

    public void join(Actor by, Instant at) {
        handle(State.JOINED, by, at);
    }

    /** As it stood before it was handled. */
    public void standAs(State before) {
        this.state = before;
        this.handledById = null;
        this.handledBy = null;
        this.handledAt = null;
    }

    public void holdPages(@Nullable List<PageRef> now) {
        this.pages = now == null ? null : List.copyOf(now);
    }

    public void moveTo(int at) {
        this.place = at;
    }

    public void propose(@Nullable UUID file, @Nullable String type, @Nullable LocalDate dated) {
        this.proposedFile = file;
        this.proposedType = type;
        this.proposedDated = dated;
    }

    /** Goes on with an open copy of what was locked. */
    public void continueWith(String openCopy) {
        this.sha256 = openCopy;
        takeUpAgain();
    }

    /** Its pages, once they were changed; else all pages of its bytes as they are. */
    public List<PageRef> pages(int count) {
        return pages != null
                ? pages
                : IntStream.rangeClosed(1, count)
                        .mapToObj(page -> new PageRef(sha256, page, 0))
                        .toList();
    }

    /** False while it is all of its bytes, untouched. */
    public boolean hasChosenPages() {
        return pages != null;
    }

    public @Nullable List<PageRef> chosenPages() {
        return pages;
    }

    public UUID id() {
        return id;
    }

    public int version() {
        return version == null ? 0 : version;
    }

    public Source source() {
        return source;
    }

    public String broughtBy() {
        return broughtBy;
    }

    public @Nullable UUID accountId() {
        return accountId;
    }

    public @Nullable UUID fileId() {
        return fileId;
    }

    public @Nullable String suggestedType() {
        return suggestedType;
    }

    public @Nullable String note() {
        return note;
    }

    public @Nullable String sender() {
        return sender;
    }

    public @Nullable String message() {
        return message;
    }

    public String fileName() {
        return fileName;
    }

    public String sha256() {
        return sha256;
    }

    public State state() {
        return state;
    }

    public @Nullable String reason() {
        return reason;
    }

    public Instant receivedAt() {
        return receivedAt;
    }

    public @Nullable UUID documentId() {
        return documentId;
    }

    /** The name of who filed, discarded, split or joined it; null while it waits or is set aside. */
    public @Nullable String handledBy() {
        return handledBy;
    }

    public @Nullable Instant handledAt() {
        return handledAt;
    }

    /** The arrival that came in: itself, or the one it was split from. */
    public UUID batch() {
        return batchId == null ? id : batchId;
    }

    public boolean isPart() {
        return batchId != null;
    }

    public int place() {
        return place;
    }

    public @Nullable String begins() {
        return begins;
    }

    public Optional<CoverCode> cover() {
        return Optional.ofNullable(cover).flatMap(CoverCode::read);
    }

    /** What it is said to be, is proposed to be, or its cover sheet names. */
    public List<String> seemingTypes() {
        return Stream.of(suggestedType, coverType, proposedType)
                .filter(Objects::nonNull)
                .distinct()
                .toList();
    }

    public @Nullable UUID proposedFile() {
        return proposedFile;
    }

    public @Nullable String proposedType() {
        return proposedType;
    }

    public @Nullable LocalDate proposedDated() {
        return proposedDated;
    }

    /** Whether somebody outside sent it in. */
    public boolean isFromOutside() {
        return source == Source.PORTAL || source == Source.MAIL;
    }

    /** How it came, in words that follow the name of the document. */
    public String sourceInWords() {
        String way =
                switch (source) {
                    case DROP -> "dropped into Arrivals by " + broughtBy;
                    case PICKUP -> "from the pickup “" + broughtBy + "”";
                    case PORTAL -> "sent through the portal by " + broughtBy;
                    case MAIL -> "by mail from " + sender;
                    case LINK -> "as a link from " + broughtBy;
                };
        return isPart() || pages != null ? pageWords() + " of “" + fileName + "”, " + way : way;
    }

    private String pageWords() {
        List<Integer> numbers =
                pages == null ? List.of() : pages.stream().map(PageRef::page).toList();
        return numbers.size() == 1
                ? "page " + numbers.get(0)
                : "pages "
                        + String.join(
                                ", ", numbers.stream().map(String::valueOf).toList());
    }
}
