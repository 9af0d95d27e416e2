package app.denfold.server.documents;

import jakarta.annotation.Nullable;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.UUID;

/** Where a paper goes and what it says about days. */
public record FilingDetails(
        @NotNull(message = "is needed: choose whose paper it is")
        UUID fileId,

        @NotBlank(message = "is needed: choose what the paper is")
        String type,

        @NotNull(message = "is needed: the date the paper bears")
        LocalDate documentDate,

        @Nullable LocalDate effectiveDate,
        @Nullable LocalDate statedExpiry) {}
