package app.denfold.server.portal;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Something the guests of a file are asked to send; it shows for as long as its slot wants a paper. */
@Entity
public class Ask {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID fileId;
    private String checklist;
    private String requirement;
    private @Nullable String words;
    private String askedBy;
    private Instant askedAt;

    /** The guest it is for; null for an older one that named nobody, which no guest is shown. */
    private @Nullable UUID accountId;

    /** Of somebody who was written to and is no guest of the file yet; null once he is one, and for all others. */
    private @Nullable String address;

    private @Nullable Instant withdrawnAt;
    private @Nullable String withdrawnBy;

    @SuppressWarnings("NullAway.Init")
    protected Ask() {}

    Ask(
            UUID fileId,
            @Nullable UUID accountId,
            String checklist,
            String requirement,
            @Nullable String words,
            String askedBy,
            Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.fileId = fileId;
        this.accountId = accountId;
        this.checklist = checklist;
        this.requirement = requirement;
        this.words = words == null || words.isBlank() ? null : words.strip();
        this.askedBy = askedBy;
        this.askedAt = now;
    }

    /** The same for somebody who is no guest of the file yet. */
    static Ask byAddress(UUID fileId, String address, String checklist, String requirement, String by, Instant now) {
        Ask ask = new Ask(fileId, null, checklist, requirement, null, by, now);
        ask.address = address;
        return ask;
    }

    boolean isTo(String mail) {
        return mail.equalsIgnoreCase(address);
    }

    /** Whoever it was for has become a guest. */
    void goesTo(UUID guest) {
        this.accountId = guest;
        this.address = null;
    }

    @Nullable
    String address() {
        return address;
    }

    boolean concerns(String list, String code) {
        return checklist.equals(list) && requirement.equals(code);
    }

    boolean isFor(UUID guest) {
        return guest.equals(accountId);
    }

    @Nullable
    UUID accountId() {
        return accountId;
    }

    void withdraw(String by, Instant now) {
        this.withdrawnBy = by;
        this.withdrawnAt = now;
    }

    public UUID id() {
        return id;
    }

    UUID fileId() {
        return fileId;
    }

    String checklist() {
        return checklist;
    }

    String requirement() {
        return requirement;
    }

    public @Nullable String words() {
        return words;
    }

    public String askedBy() {
        return askedBy;
    }

    public Instant askedAt() {
        return askedAt;
    }
}
