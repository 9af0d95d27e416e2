package app.denfold.server.signing.asking;

import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.signing.requests.SignField;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;

/**
 * What is asked for.
 *
 * @param signers in any order; the steps tell who comes when
 * @param fields places on the pages; a signer without one on a paper gets one at the foot of its last page
 * @param message to the signers; null for none
 * @param dueOn day by which it is wanted; null for none
 * @param endsAtDue whether nobody can sign after that day
 * @param remindEveryDays days between reminders; 0 for none
 * @param remindMost how many reminders at most
 * @param mayPassOn whether a signer may name somebody else in his place
 */
public record AskDetails(
        @NotNull @Size(min = 1, max = 50, message = "are needed: from 1 to 50")
        List<@Valid @NotNull AskedPaper> papers,

        @NotNull @Size(min = 1, max = 30, message = "are needed: from 1 to 30")
        List<@Valid @NotNull AskedSigner> signers,

        @NotNull @Size(max = 500) List<@Valid @NotNull AskedField> fields,

        @Nullable @Size(max = 2_000) String message,
        @Nullable LocalDate dueOn,
        boolean endsAtDue,
        @Min(0) @Max(90) int remindEveryDays,
        @Min(0) @Max(20) int remindMost,
        boolean mayPassOn) {

    /** @param version number of the one that was looked at, from 1 */
    public record AskedPaper(@NotNull UUID id, int version) {}

    /**
     * @param step from 0; those of the same step sign side by side
     * @param role in which he signs, such as {@code guardian}; null for an approver, and where the type asks for none
     * @param accountId of a colleague; null for everybody else
     * @param name null for a colleague
     * @param email where he is written to; null for a colleague, and for somebody who signs at the desk or on paper only
     */
    public record AskedSigner(
            @Min(0) @Max(20) int step,
            @NotNull Task task,
            @Nullable @Size(max = 60) String role,
            @Nullable UUID accountId,
            @Nullable @Size(max = 120) String name,

            @Nullable @Email(message = "is no mail address") @Size(max = 254)
            String email) {}

    /** @param signer position in the list of signers, from 0; the parts are of the page as seen, from 0 to 1 */
    public record AskedField(
            @NotNull UUID paperId,
            @Min(0) int signer,
            @NotNull SignField.Kind kind,
            @Min(1) int page,
            @DecimalMin("0") @DecimalMax("1") double left,
            @DecimalMin("0") @DecimalMax("1") double top,
            @DecimalMin("0.01") @DecimalMax("1") double width,
            @Nullable @DecimalMin("0.005") @DecimalMax("1") Double height,
            boolean required,
            @Nullable @Size(max = 80) String label) {}
}
