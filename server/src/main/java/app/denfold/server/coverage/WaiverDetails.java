package app.denfold.server.coverage;

import jakarta.annotation.Nullable;
import jakarta.validation.constraints.NotBlank;
import java.time.LocalDate;

/** @param from first waived day, today when null; @param to last waived day, for good when null */
public record WaiverDetails(
        @NotBlank String checklist,
        @NotBlank String requirement,
        @Nullable LocalDate from,
        @Nullable LocalDate to,

        @NotBlank(message = "is needed; an inspector will read it")
        String reason) {}
