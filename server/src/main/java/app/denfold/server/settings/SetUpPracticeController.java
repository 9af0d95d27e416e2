package app.denfold.server.settings;

import app.denfold.core.sharing.Granted.Deed;
import app.denfold.server.access.Role;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.practice.DayOrder;
import app.denfold.server.practice.EvidenceAddresses;
import app.denfold.server.practice.PracticeLook;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.practice.SessionLimits;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Set-up of the practice itself. */
@RestController
class SetUpPracticeController {

    private final SetUpPractice setUp;
    private final PracticeSettings settings;

    SetUpPracticeController(SetUpPractice setUp, PracticeSettings settings) {
        this.setUp = setUp;
        this.settings = settings;
    }

    /** What only administrators know of the practice's settings. */
    record PracticeSetUpAnswer(
            @Nullable String mailFrom,
            @Nullable String replyTo,
            int sessionIdleMinutes,
            int sessionMostHours,
            List<Role> secondFactor,
            List<Deed> ownFile,
            boolean confirmSigning,
            EvidenceAddresses evidenceAddresses) {}

    record SigningRequest(boolean confirm, @NotNull EvidenceAddresses addresses) {}

    /** Whether colleagues show password or second factor again when they sign, and what stands on evidence. */
    @PutMapping("/api/set-up/practice/signing")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signing(Viewer viewer, @Valid @RequestBody SigningRequest body) {
        setUp.signing(viewer, body.confirm(), body.addresses());
    }

    record OwnFilesRequest(@NotNull Set<@NotNull Deed> deeds) {}

    /** What people with an account may do in their own file from now on. */
    @PutMapping("/api/set-up/practice/own-files")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void ownFiles(Viewer viewer, @Valid @RequestBody OwnFilesRequest body) {
        setUp.allowInOwnFile(viewer, body.deeds());
    }

    /** @param colour as {@code #rrggbb} @param languages by ISO 639-1, the usual one first */
    record LookRequest(
            @NotBlank(message = "is needed") @Size(max = 120)
            String name,

            @NotNull @Size(max = 500) String address,

            @NotNull @Pattern(regexp = "#[0-9a-f]{6}", message = "is no colour such as #3b4f63")
            String colour,

            @NotEmpty(message = "need at least one") @Size(max = 20)
            List<@NotNull String> languages,

            @Nullable @Email(message = "is no mail address") @Size(max = 254)
            String mailFrom,

            @Nullable @Email(message = "is no mail address") @Size(max = 254)
            String replyTo) {

        PracticeLook asLook() {
            return new PracticeLook(
                    name.strip(), address.strip(), colour, languages, blankToNull(mailFrom), blankToNull(replyTo));
        }
    }

    record SessionsRequest(
            @Min(value = 5, message = "are at least 5") @Max(value = 1440, message = "are at most 1440")
            int idleMinutes,

            @Min(value = 1, message = "are at least 1") @Max(value = 720, message = "are at most 720")
            int mostHours,

            @NotNull Set<@NotNull Role> secondFactor) {}

    @GetMapping("/api/set-up/practice")
    PracticeSetUpAnswer practice(Viewer viewer) {
        viewer.requireAdministrator();
        PracticeLook look = settings.look();
        SessionLimits limits = settings.sessionLimits();
        return new PracticeSetUpAnswer(
                look.mailFrom(),
                look.replyTo(),
                Math.toIntExact(limits.idle().toMinutes()),
                Math.toIntExact(limits.most().toHours()),
                settings.secondFactorRoles().stream().map(Role::valueOf).toList(),
                settings.ownFileDeeds().stream().map(Deed::valueOf).toList(),
                settings.confirmSigning(),
                settings.evidenceAddresses());
    }

    @PutMapping("/api/set-up/practice/look")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void look(Viewer viewer, @Valid @RequestBody LookRequest body) {
        setUp.show(viewer, body.asLook());
    }

    private static @Nullable String blankToNull(@Nullable String words) {
        return words == null || words.isBlank() ? null : words.strip();
    }

    @PostMapping(path = "/api/set-up/practice/mark", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void mark(Viewer viewer, @RequestPart MultipartFile file) throws IOException {
        viewer.requireAdministrator();
        try (UploadedFile uploaded = UploadedFile.of(file)) {
            setUp.mark(viewer, uploaded.path(), uploaded.name());
        }
    }

    @DeleteMapping("/api/set-up/practice/mark")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void unmark(Viewer viewer) {
        setUp.unmark(viewer);
    }

    @PutMapping("/api/set-up/practice/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void sessions(Viewer viewer, @Valid @RequestBody SessionsRequest body) {
        setUp.limitSessions(viewer, body.idleMinutes(), body.mostHours(), body.secondFactor());
    }

    /** @param weekStart by ISO 8601: 1 for Monday, 7 for Sunday */
    record DaysRequest(@NotNull String zone, @NotNull DayOrder dayOrder, int weekStart) {}

    @PutMapping("/api/set-up/practice/days")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void days(Viewer viewer, @Valid @RequestBody DaysRequest body) {
        setUp.keepDays(viewer, body.zone(), body.dayOrder(), body.weekStart());
    }
}
