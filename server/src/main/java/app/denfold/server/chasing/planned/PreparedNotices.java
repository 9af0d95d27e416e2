package app.denfold.server.chasing.planned;

import app.denfold.core.notices.NoticeDay;
import app.denfold.core.notices.NoticeDay.Telling;
import app.denfold.core.notices.NoticeHistory;
import app.denfold.core.notices.NoticeLetter;
import app.denfold.core.notices.NoticePlanner;
import app.denfold.core.notices.Plan;
import app.denfold.core.notices.PlanStep;
import app.denfold.core.notices.Recipient;
import app.denfold.core.notices.SendingRules;
import app.denfold.core.notices.Watched;
import app.denfold.core.notices.Who;
import app.denfold.server.chasing.history.TurnKey;
import app.denfold.server.people.PersonFile;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/** All that is needed to work out, without reading anything more, who is told what. */
record PreparedNotices(
        List<Plan> plans,
        SendingRules rules,
        Collection<Watched> watched,
        NoticeHistory history,
        Map<UUID, PersonFile> files,
        WhoIsTold who,
        NoticeLetter.Source source) {

    NoticeDay on(LocalDate day) {
        return planner().on(day, watched, history);
    }

    /** @param to included */
    List<NoticeDay> ahead(LocalDate from, LocalDate to) {
        return planner().ahead(from, to, watched, history);
    }

    NoticeLetter letter(LocalDate day) {
        return new NoticeLetter(source, day);
    }

    /** What a turn of a plan tells, as things stand now; empty when the plan, or what it is about, is no more. */
    Optional<Telling> telling(TurnKey key) {
        String file = key.fileId().toString();
        return watched.stream()
                .filter(w -> w.file().equals(file) && w.thing().equals(key.thing()))
                .findFirst()
                .flatMap(w -> telling(key, w));
    }

    private Optional<Telling> telling(TurnKey key, Watched about) {
        return plans.stream()
                .filter(p -> p.id().equals(key.planId().toString()))
                .flatMap(p -> p.steps().stream()
                        .filter(s -> s.id().equals(key.step()))
                        .flatMap(s -> telling(key, about, p, s).stream()))
                .findFirst();
    }

    private Optional<Telling> telling(TurnKey key, Watched about, Plan plan, PlanStep step) {
        LocalDate planned = key.anchor().plusDays(step.days() + (long) key.number() * step.every());
        return who.of(step.who(), about).stream()
                .filter(r -> r.id().equals(key.recipient()))
                .map(r -> new Telling(plan, step, key.turn(), about, r, planned, planned))
                .findFirst();
    }

    private NoticePlanner planner() {
        return new NoticePlanner(plans, rules, new NoticePlanner.Addresses() {
            @Override
            public List<Recipient> of(Who whoever, Watched one) {
                return who.of(whoever, one);
            }

            @Override
            public boolean lacksFact(Telling telling, LocalDate day) {
                return !letter(day).lacking(telling).isEmpty();
            }
        });
    }
}
