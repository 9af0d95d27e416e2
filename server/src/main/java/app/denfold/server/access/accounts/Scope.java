package app.denfold.server.access.accounts;

import app.denfold.core.people.Teams.Reach;
import app.denfold.server.access.Marking;
import jakarta.annotation.Nullable;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What an account may see and do.
 *
 * @param reach whose files
 * @param team the own one, from which the reach is measured; null for none
 * @param leads teams led, whose files are seen whatever the reach
 * @param seesSensitive whether every sensitive paper and fact is seen
 * @param seesSections codes of the sections whose sensitive papers are seen although not all are
 * @param seesTypes codes of single document types of which sensitive papers are seen although not all are
 * @param mayChange false for somebody who looks only
 * @param marking what may be done with marks on pages; without it, what follows from mayChange
 */
public record Scope(
        @NotNull Reach reach,
        @Nullable @Size(max = 60) String team,
        @NotNull @Size(max = 40) Set<@NotNull @Size(max = 60) String> leads,
        boolean seesSensitive,
        @NotNull @Size(max = 100) Set<@NotNull @Size(max = 60) String> seesSections,
        @NotNull @Size(max = 500) Set<@NotNull @Size(max = 60) String> seesTypes,
        boolean mayChange,
        Marking marking) {

    public Scope {
        marking = marking == null ? Marking.usual(mayChange) : marking;
        team = team == null || team.isBlank() ? null : team.strip();
        leads = leads == null ? Set.of() : Set.copyOf(leads);
        seesSections = seesSections == null ? Set.of() : Set.copyOf(seesSections);
        seesTypes = seesTypes == null ? Set.of() : Set.copyOf(seesTypes);
    }

    /** Of a team; null for everybody's. */
    public static Scope ofTeam(@Nullable String team, boolean seesSensitive, boolean mayChange) {
        return new Scope(
                team == null ? Reach.EVERYBODY : Reach.TEAM,
                team,
                Set.of(),
                seesSensitive,
                Set.of(),
                Set.of(),
                mayChange,
                Marking.usual(mayChange));
    }

    public static Scope nothing() {
        return new Scope(Reach.OWN_PEOPLE, null, Set.of(), false, Set.of(), Set.of(), false, Marking.NOTHING);
    }

    /** In words, such as {@code the files of the department of Riding school, no sensitive papers, looks only}. */
    public String words() {
        String files =
                switch (reach) {
                    case EVERYBODY -> "everybody’s files";
                    case AREA -> "the files of the area of " + team;
                    case DEPARTMENT -> "the files of the department of " + team;
                    case TEAM -> "the files of " + team;
                    case OWN_PEOPLE -> "the files of their own people";
                };
        String led = leads.isEmpty() || reach == Reach.EVERYBODY
                ? ""
                : " and of " + String.join(", ", leads.stream().sorted().toList());
        String sensitive = seesSensitive
                ? ", sensitive papers"
                : seesSections.isEmpty() && seesTypes.isEmpty()
                        ? ", no sensitive papers"
                        : ", sensitive papers of "
                                + Stream.concat(seesSections.stream(), seesTypes.stream())
                                        .sorted()
                                        .collect(Collectors.joining(", "));
        String marks = marking == Marking.usual(mayChange) ? "" : ", " + marksInWords();
        return files + led + sensitive + (mayChange ? "" : ", looks only") + marks;
    }

    private String marksInWords() {
        return switch (marking) {
            case NOTHING -> "sees no marks";
            case SEES -> "sees marks";
            case MAKES -> "makes marks";
            case OPENS_COVERS -> "may open covers";
        };
    }
}
