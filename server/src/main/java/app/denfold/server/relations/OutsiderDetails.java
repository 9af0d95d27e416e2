package app.denfold.server.relations;

import jakarta.annotation.Nullable;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;

/** What is typed about somebody without a file. */
public record OutsiderDetails(
        @NotBlank(message = "is needed") @Size(max = 120) String name,
        @Nullable @Size(max = 120) String organisation,
        @Nullable @Email(message = "is not a mail address") String email,
        @Nullable @Size(max = 60) String phone) {}
