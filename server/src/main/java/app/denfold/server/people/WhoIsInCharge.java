package app.denfold.server.people;

import app.denfold.server.access.OwnPeople;
import app.denfold.server.access.teams.UsesTeams;
import app.denfold.server.practice.PracticeCalendar;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Whose supervisor, therapist or the like somebody is, by the facts that name him; and how many are of a team. */
@Component
class WhoIsInCharge implements OwnPeople, UsesTeams {

    private final PersonFileRepository files;
    private final PracticeCalendar calendar;

    WhoIsInCharge(PersonFileRepository files, PracticeCalendar calendar) {
        this.files = files;
        this.calendar = calendar;
    }

    @Override
    public Set<UUID> inChargeOf(UUID ownFile) {
        return files.findNaming(ownFile, calendar.today());
    }

    @Override
    public Optional<String> of(String team) {
        long count = files.countByTeamAndMergedIntoIsNull(team);
        return count == 0
                ? Optional.empty()
                : Optional.of(count == 1 ? "one file is of this team" : count + " files are of this team");
    }
}
