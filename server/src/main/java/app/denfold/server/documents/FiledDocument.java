package app.denfold.server.documents;

import app.denfold.core.filing.DocumentState;
import app.denfold.core.filing.NamePattern.Ingredients;
import app.denfold.core.rules.Decision;
import app.denfold.core.rules.Document;
import app.denfold.server.catalog.DocumentTypes;
import app.denfold.server.catalog.Signer;
import app.denfold.server.documents.FilingDetails.SignedOnPaper;
import app.denfold.server.people.PersonFile;
import app.denfold.server.problems.Refusal;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.CollectionTable;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.hibernate.annotations.BatchSize;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.OptimisticLock;
import org.hibernate.annotations.SQLRestriction;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A paper in a file. Those in the wastebasket are found by queries of their own only. */
@Entity
@Table(name = "document")
@SQLRestriction("discarded_at is null")
public class FiledDocument {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID fileId;
    private String type;

    /** What else it is, besides its type. */
    private String[] furtherTypes = {};

    /** Follows from what else is known: that it changed is nobody's change of the paper. */
    @OptimisticLock(excluded = true)
    private String name = "";

    private LocalDate documentDate;
    private @Nullable LocalDate effectiveDate;
    /** Who is to review it instead of those its types name. */
    private @Nullable UUID reviewer;

    private @Nullable LocalDate statedExpiry;
    private LocalDate receivedOn;
    private @Nullable LocalDate acceptedOn;
    private @Nullable String acceptedBy;
    private @Nullable LocalDate sentBackOn;
    private @Nullable String sentBackReason;
    private @Nullable LocalDate checkedOn;
    private @Nullable String checkedBy;

    /** What a complete paper still lacks, in words; empty when nothing. */
    @OptimisticLock(excluded = true)
    private String lacks = "";

    private @Nullable LocalDate enteredInErrorOn;
    private @Nullable String errorReason;
    private String source;
    /** Whether somebody outside sent it in. */
    private boolean fromOutside;

    private String filedBy;
    private Instant createdAt;
    private @Nullable String description;

    /** Nothing of it is here yet. */
    private boolean awaited;

    private @Nullable UUID endedWait;
    private @Nullable Instant discardedAt;
    private @Nullable String discardedBy;

    /** The day since which the newest version is it; null while that is the first. */
    private @Nullable LocalDate currentSince;

    /** What was decided on earlier versions, the oldest first. */
    @JdbcTypeCode(SqlTypes.JSON)
    private List<SupersededState> superseded = List.of();

    /** Values of the fields of its type, by their names. */
    @JdbcTypeCode(SqlTypes.JSON)
    private Map<String, String> fields = Map.of();

    @ElementCollection(fetch = FetchType.LAZY)
    @CollectionTable(name = "document_version", joinColumns = @JoinColumn(name = "document_id"))
    @OrderColumn(name = "place")
    @BatchSize(size = 100)
    private List<DocumentVersion> versions = new ArrayList<>();

    @ElementCollection(fetch = FetchType.LAZY)
    @CollectionTable(name = "document_signature", joinColumns = @JoinColumn(name = "document_id"))
    @OrderColumn(name = "place")
    @BatchSize(size = 5_000)
    private List<GivenSignature> signatures = new ArrayList<>();

    @SuppressWarnings("NullAway.Init")
    protected FiledDocument() {}

    FiledDocument(FilingDetails details, Documents.Received received, DocumentVersion first) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.fileId = details.fileId();
        this.type = details.type();
        this.furtherTypes = details.furtherTypes().toArray(String[]::new);
        this.documentDate = details.documentDate();
        this.effectiveDate = details.effectiveDate();
        this.statedExpiry = details.statedExpiry();
        this.reviewer = details.reviewer();
        this.fields = details.fields();
        this.receivedOn = received.receivedOn();
        this.source = received.source();
        this.fromOutside = received.fromOutside();
        this.filedBy = first.madeBy();
        this.createdAt = first.madeAt();
        this.versions.add(first);
    }

    /** Gives it the name its type's pattern makes of what is known now. */
    void rename(DocumentTypes of, PersonFile file, Set<String> taken) {
        this.name = of.main().namePattern().name(ingredients(of, file), taken);
    }

    private Ingredients ingredients(DocumentTypes of, PersonFile file) {
        return new Ingredients(of.main().label(), documentDate, file.nameInDocuments(), pending(of), fields);
    }

    public Map<String, String> fields() {
        return fields;
    }

    /** What is still missing, in words; empty when nothing is. */
    private String pending(DocumentTypes of) {
        DocumentState state =
                DocumentState.of(false, awaited, decision(), !unsignedBy(of).isEmpty(), of.needsReview());
        return switch (state) {
            case UNSIGNED ->
                "unsigned by " + unsignedBy(of).stream().map(Signer::label).collect(Collectors.joining(" and "));
            case IN_REVIEW -> "to review";
            case FILED -> lacks;
            default -> state.words();
        };
    }

    /** How it stands now. */
    public DocumentState state(DocumentTypes of) {
        return stateOn(of, LocalDate.MAX);
    }

    /** How it stood at the end of a day. */
    public DocumentState stateOn(DocumentTypes of, LocalDate day) {
        boolean inError = enteredInErrorOn != null && !enteredInErrorOn.isAfter(day);
        return DocumentState.of(
                inError, awaited, decisionOn(day), !unsignedBy(of, day).isEmpty(), of.needsReview());
    }

    /** The signers its types ask for who have not signed. */
    public List<Signer> unsignedBy(DocumentTypes of) {
        return unsignedBy(of, LocalDate.MAX);
    }

    /** The signers its types ask for who had not signed by the end of a day. */
    public List<Signer> unsignedBy(DocumentTypes of, LocalDate day) {
        Set<String> signed = signaturesOn(day).stream()
                .filter(s -> !s.signedOn().isAfter(day))
                .map(GivenSignature::role)
                .collect(Collectors.toSet());
        return of.signers().stream().filter(s -> !signed.contains(s.role())).toList();
    }

    void remember(Documents.History history) {
        this.acceptedOn = history.acceptedOn();
        this.acceptedBy = history.acceptedBy();
        this.sentBackOn = history.sentBackOn();
        this.sentBackReason = history.sentBackReason();
        this.signatures.addAll(history.signatures());
    }

    /** An earlier sending back stays known, so that past days can be asked about. */
    void accept(LocalDate day, String by) {
        this.acceptedOn = day;
        this.acceptedBy = by;
    }

    /** An acceptance on an earlier day stays known; one of the same day would win by the rules and is forgotten. */
    void sendBack(LocalDate day, String reason) {
        this.sentBackOn = day;
        this.sentBackReason = reason;
        uncheck();
        if (acceptedOn != null && !acceptedOn.isBefore(day)) {
            this.acceptedOn = null;
            this.acceptedBy = null;
        }
    }

    private List<GivenSignature> signaturesOn(LocalDate day) {
        return supersededOn(day).map(SupersededState::signatures).orElse(signatures);
    }

    private Optional<SupersededState> supersededOn(LocalDate day) {
        return superseded.stream().filter(s -> s.isOn(day)).findFirst();
    }

    /** What was decided by the end of a day; of two decisions the later one, on the same day the acceptance. */
    public Decision decisionOn(LocalDate day) {
        Optional<SupersededState> former = supersededOn(day);
        LocalDate lastAccepted = former.map(SupersededState::acceptedOn).orElse(former.isPresent() ? null : acceptedOn);
        LocalDate lastSentBack = former.map(SupersededState::sentBackOn).orElse(former.isPresent() ? null : sentBackOn);
        return Decision.on(day, lastAccepted, lastSentBack);
    }

    /** What was decided as of now. */
    public Decision decision() {
        return decisionOn(LocalDate.MAX);
    }

    /** False before it was received, and from the day it was marked as entered in error. */
    public boolean existsOn(LocalDate day) {
        return !receivedOn.isAfter(day) && (enteredInErrorOn == null || enteredInErrorOn.isAfter(day));
    }

    /** How often it was changed; tells whether somebody did so meanwhile. */
    public int changes() {
        return version == null ? 0 : version;
    }

    /** Words about it; null when there are none. */
    public @Nullable String description() {
        return description;
    }

    public void describe(@Nullable String words) {
        this.description = words == null || words.isBlank() ? null : words.strip();
    }

    public FilingDetails details() {
        return new FilingDetails(
                fileId,
                type,
                List.of(furtherTypes),
                documentDate,
                effectiveDate,
                statedExpiry,
                fields,
                signedOnPaper(),
                reviewer);
    }

    /** Signatures that somebody saw on the paper itself. */
    private List<SignedOnPaper> signedOnPaper() {
        return signatures.stream()
                .filter(GivenSignature::wasSeenOnPaper)
                .map(s -> new SignedOnPaper(s.role(), s.signer(), s.signedOn()))
                .toList();
    }

    /** These are all the signatures that were seen on the paper itself; those given in this product stay. */
    void see(List<SignedOnPaper> onPaper, String seenBy) {
        Map<SignedOnPaper, String> before = new HashMap<>();
        signatures.stream()
                .filter(GivenSignature::wasSeenOnPaper)
                .forEach(s -> before.put(new SignedOnPaper(s.role(), s.signer(), s.signedOn()), s.seenBy()));
        signatures.removeIf(GivenSignature::wasSeenOnPaper);
        onPaper.forEach(s ->
                signatures.add(new GivenSignature(s.role(), s.signer(), s.signedOn(), before.getOrDefault(s, seenBy))));
    }

    public void correct(FilingDetails to) {
        this.type = to.type();
        this.furtherTypes = to.furtherTypes().toArray(String[]::new);
        this.documentDate = to.documentDate();
        this.effectiveDate = to.effectiveDate();
        this.statedExpiry = to.statedExpiry();
        this.fields = to.fields();
        this.reviewer = to.reviewer();
    }

    /** Values of fields that are still empty. */
    void fillIn(Map<String, String> values) {
        Map<String, String> all = new LinkedHashMap<>(fields);
        values.forEach((name, value) -> all.merge(name, value, (before, now) -> before.isBlank() ? now : before));
        this.fields = all;
    }

    /** With whom it waits for review: the one it was given to, else those its types name; empty when that is anyone. */
    public Set<UUID> reviewers(DocumentTypes of) {
        return reviewer == null ? of.reviewers() : Set.of(reviewer);
    }

    public @Nullable UUID reviewer() {
        return reviewer;
    }

    public void moveTo(UUID file) {
        this.fileId = file;
    }

    /** Notes the placeholder whose waiting it ended. */
    void endWait(@Nullable UUID placeholder) {
        this.endedWait = placeholder;
    }

    @Nullable
    UUID endedWait() {
        return endedWait;
    }

    public void discard(String by, Instant now) {
        this.discardedAt = now;
        this.discardedBy = by;
    }

    public void takeOut() {
        this.discardedAt = null;
        this.discardedBy = null;
    }

    public @Nullable Instant discardedAt() {
        return discardedAt;
    }

    public @Nullable String discardedBy() {
        return discardedBy;
    }

    void enterInError(LocalDate day, String reason) {
        this.enteredInErrorOn = day;
        this.errorReason = reason;
    }

    void sign(GivenSignature signature) {
        signatures.add(signature);
    }

    /**
     * Adds bytes as the newest version. A first version of an awaited paper is what was awaited: only now was it received.
     *
     * @param same whether it shows the paper on which was decided, such as its sealed copy; what was decided and signed
     *     holds for other bytes no more
     */
    void add(DocumentVersion newer, LocalDate today, boolean same) {
        versions.add(newer);
        if (!same) {
            uncheck();
        }
        if (awaited) {
            awaited = false;
            receivedOn = today;
        } else if (!same && (acceptedOn != null || sentBackOn != null || !signatures.isEmpty())) {
            supersede(today);
        }
    }

    private void supersede(LocalDate today) {
        List<SupersededState> all = new ArrayList<>(superseded);
        all.add(new SupersededState(
                currentSince == null ? receivedOn : currentSince,
                acceptedOn,
                sentBackOn,
                List.copyOf(signatures),
                today));
        superseded = List.copyOf(all);
        currentSince = today;
        acceptedOn = null;
        acceptedBy = null;
        sentBackOn = null;
        sentBackReason = null;
        signatures.clear();
    }

    /** @throws Refusal when it is not the version of this number, from 1, that is the newest */
    public void requireNewest(int number) {
        if (number != versions.size()) {
            throw Refusal.conflict(
                    "newer-version",
                    "A newer version of “" + name + "” has come in meanwhile. Nothing was done; look at it first.");
        }
    }

    /** A second person checked its newest version. */
    void check(LocalDate day, String by) {
        this.checkedOn = day;
        this.checkedBy = by;
    }

    void uncheck() {
        this.checkedOn = null;
        this.checkedBy = null;
    }

    public @Nullable LocalDate checkedOn() {
        return checkedOn;
    }

    public @Nullable String checkedBy() {
        return checkedBy;
    }

    /** What its name says it still lacks; empty for nothing. */
    String lacks() {
        return lacks;
    }

    /** @return whether that is something else than before */
    boolean lack(String words) {
        boolean isOther = !lacks.equals(words);
        this.lacks = words;
        return isOther;
    }

    void await() {
        this.awaited = true;
    }

    public boolean isAwaited() {
        return awaited;
    }

    /** True while it is as it was filed: never decided on, signed, entered in error or given a newer version. */
    boolean isUntouched() {
        return versions.size() == 1
                && signatures.stream().allMatch(GivenSignature::wasSeenOnPaper)
                && acceptedOn == null
                && sentBackOn == null
                && enteredInErrorOn == null;
    }

    public UUID id() {
        return id;
    }

    /** When it was first stored. */
    public Instant createdAt() {
        return createdAt;
    }

    public UUID fileId() {
        return fileId;
    }

    /** The one that gives it its name. */
    public String type() {
        return type;
    }

    /** All that it is, the type that names it first. */
    public List<String> types() {
        List<String> all = new ArrayList<>(List.of(furtherTypes));
        all.add(0, type);
        return List.copyOf(all);
    }

    public boolean isOfAny(Collection<String> codes) {
        return codes.contains(type) || Arrays.stream(furtherTypes).anyMatch(codes::contains);
    }

    public String name() {
        return name;
    }

    public LocalDate documentDate() {
        return documentDate;
    }

    public @Nullable LocalDate effectiveDate() {
        return effectiveDate;
    }

    public @Nullable LocalDate statedExpiry() {
        return statedExpiry;
    }

    public LocalDate receivedOn() {
        return receivedOn;
    }

    public @Nullable LocalDate acceptedOn() {
        return acceptedOn;
    }

    public @Nullable String acceptedBy() {
        return acceptedBy;
    }

    public @Nullable LocalDate sentBackOn() {
        return sentBackOn;
    }

    public @Nullable String sentBackReason() {
        return sentBackReason;
    }

    public @Nullable LocalDate enteredInErrorOn() {
        return enteredInErrorOn;
    }

    public @Nullable String errorReason() {
        return errorReason;
    }

    public boolean isEnteredInError() {
        return enteredInErrorOn != null;
    }

    public String source() {
        return source;
    }

    /** Whether somebody outside sent it in: through the portal, by a link or by mail. */
    public boolean isFromOutside() {
        return fromOutside;
    }

    public String filedBy() {
        return filedBy;
    }

    public List<DocumentVersion> versions() {
        return List.copyOf(versions);
    }

    /** The newest version. */
    public DocumentVersion latest() {
        return versions.get(versions.size() - 1);
    }

    public List<GivenSignature> signatures() {
        return List.copyOf(signatures);
    }

    /** What the rules need to know of it: once as each of its types; nothing while it is awaited. */
    public List<Document> forRules() {
        if (awaited) {
            return List.of();
        }
        Document first = asItsType();
        return withSuperseded(first, superseded)
                .flatMap(d -> types().stream().map(d::as))
                .toList();
    }

    static Stream<Document> withSuperseded(Document newest, List<SupersededState> former) {
        return Stream.concat(
                Stream.of(newest),
                IntStream.range(0, former.size()).mapToObj(i -> former.get(i).forRules(newest, i + 1)));
    }

    /** True when the rules mean a former version, on which was decided otherwise, by this id. */
    public static boolean isFormerVersion(String idForRules) {
        return SupersededState.isMeant(idForRules);
    }

    /** The document that the rules mean by this id. */
    public static UUID idOf(String idForRules) {
        return SupersededState.document(idForRules);
    }

    private Document asItsType() {
        return new Document(
                id.toString(),
                type,
                documentDate,
                effectiveDate,
                statedExpiry,
                currentSince == null ? receivedOn : currentSince,
                acceptedOn,
                sentBackOn,
                enteredInErrorOn,
                signatures.stream()
                        .map(s -> new Document.Signature(s.role(), s.signedOn()))
                        .toList());
    }
}
