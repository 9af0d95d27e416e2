package app.denfold.server.people;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;

/** What the rules need to know of a person, read without the rest of his file. */
public record PersonForRules(
        UUID id, String kind, LocalDate birthDate, List<ActiveSpan> activeSpans, List<Fact> facts) {}
