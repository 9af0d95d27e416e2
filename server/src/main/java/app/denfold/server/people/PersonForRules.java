package app.denfold.server.people;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What the rules need to know of a person, read without the rest of his file. */
public record PersonForRules(
        @Nullable UUID id,
        String kind,
        @Nullable LocalDate birthDate,
        List<ActiveSpan> activeSpans,
        List<Fact> facts) {}
