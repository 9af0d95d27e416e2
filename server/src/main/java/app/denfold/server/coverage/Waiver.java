package app.denfold.server.coverage;

import app.denfold.core.days.Window;
import app.denfold.core.rules.Person;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A requirement that is not asked of one person for some days. */
@Entity
public class Waiver {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID fileId;
    private String checklist;
    private String requirement;
    private LocalDate fromDay;
    private @Nullable LocalDate toDay;
    private LocalDate recordedOn;
    private String reason;
    private String recordedBy;

    @SuppressWarnings("NullAway.Init")
    protected Waiver() {}

    Waiver(UUID fileId, WaiverDetails details, LocalDate recordedOn, String recordedBy) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.fileId = fileId;
        this.checklist = details.checklist();
        this.requirement = details.requirement();
        this.fromDay = details.from() == null ? recordedOn : details.from();
        this.toDay = details.to();
        this.recordedOn = recordedOn;
        this.reason = details.reason().strip();
        this.recordedBy = recordedBy;
    }

    public boolean covers(String list, String code, LocalDate day) {
        return checklist.equals(list)
                && requirement.equals(code)
                && !day.isBefore(fromDay)
                && (toDay == null || !day.isAfter(toDay));
    }

    UUID fileId() {
        return fileId;
    }

    public boolean isKnownOn(LocalDate day) {
        return !recordedOn.isAfter(day);
    }

    public @Nullable LocalDate toDay() {
        return toDay;
    }

    public String words() {
        return "Waived by " + recordedBy + ": " + reason;
    }

    Person.Waiver forRules() {
        return new Person.Waiver(checklist, requirement, new Window(fromDay, toDay), recordedOn);
    }
}
