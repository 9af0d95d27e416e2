package app.denfold.server.signing.taking;

import app.denfold.server.signing.requests.MarkJson;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/** What whoever takes a turn sends. */
public final class TurnRequests {

    private TurnRequests() {}

    /** @param values what is written into fields, by their positions @param secret password or code where it is asked for once more */
    public record TurnSignatureRequest(
            MarkJson.@NotNull GivenMark signature,

            @NotNull @Size(max = 200) Map<Integer, @NotNull @Size(max = 300) String> values,

            @Nullable @Size(max = 200) String secret) {

        public TakeTurns.Signature given() {
            return new TakeTurns.Signature(signature, values);
        }
    }

    /** @param turns that were looked through, one after the other */
    record SignSeveralRequest(
            @NotEmpty @Size(max = 200) List<@NotNull UUID> turns,

            MarkJson.@NotNull GivenMark signature,

            @Nullable @Size(max = 200) String secret) {}

    public record TurnWordsRequest(
            @NotBlank(message = "is needed") @Size(max = 2_000)
            String words) {}

    record TurnPassOnRequest(
            @NotBlank(message = "is needed: who signs?") @Size(max = 120)
            String name,

            @NotBlank(message = "is needed") @Email(message = "is no mail address") @Size(max = 254)
            String email) {}

    record TurnCodeRequest(
            @NotBlank(message = "is needed") @Size(max = 12) String code) {}

    /** @param signed of how many turns @param notSigned with why, in words */
    record SeveralSigned(int signed, @Valid List<NotSigned> notSigned) {}

    record NotSigned(UUID turnId, String why) {}
}
