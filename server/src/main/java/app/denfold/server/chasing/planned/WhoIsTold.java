package app.denfold.server.chasing.planned;

import app.denfold.core.notices.NoticePlanner;
import app.denfold.core.notices.Recipient;
import app.denfold.core.notices.Recipient.Closeness;
import app.denfold.core.notices.Watched;
import app.denfold.core.notices.Who;
import app.denfold.core.people.RelationKind;
import app.denfold.core.people.Representation;
import app.denfold.core.people.Representation.Somebody;
import app.denfold.server.access.Viewer;
import app.denfold.server.people.PersonFile;
import app.denfold.server.relations.PeopleAround.Near;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Who is meant by the steps of plans, for people of whom all that is needed was read before. */
final class WhoIsTold implements NoticePlanner.Addresses {

    private final Known known;
    private final LocalDate today;
    private final Map<Asked, List<Recipient>> answered = new HashMap<>();

    private record Asked(Who who, String file) {}

    /** What was read of people. */
    record Known(
            Map<UUID, PersonFile> files,
            Map<UUID, List<Near>> near,
            Map<UUID, List<PersonFile>> inCharge,
            Map<UUID, String> languages,
            Map<String, Viewer> colleagues,
            String usualLanguage) {}

    WhoIsTold(Known known, LocalDate today) {
        this.known = known;
        this.today = today;
    }

    @Override
    public List<Recipient> of(Who who, Watched watched) {
        if (who instanceof Who.Colleague colleague) {
            return colleague(colleague, watched);
        }
        return answered.computeIfAbsent(new Asked(who, watched.file()), this::recipients).stream()
                .map(r -> asFarAsKnown(r, watched))
                .toList();
    }

    private List<Recipient> recipients(Asked asked) {
        UUID id = UUID.fromString(asked.file());
        PersonFile file = known.files().get(id);
        if (file == null) {
            return List.of();
        }
        List<Near> near = known.near().getOrDefault(id, List.of());
        Who who = asked.who();
        if (who instanceof Who.ThePerson) {
            return own(file, near);
        }
        if (who instanceof Who.Related related) {
            return related(near, related.kind());
        }
        if (who instanceof Who.Supervisor) {
            return inCharge(id, near);
        }
        if (who instanceof Who.Outside outside) {
            return List.of(outsider("outside:" + outside.address(), outside.address(), outside.name()));
        }
        return who instanceof Who.Task task ? List.of(today(task)) : List.of();
    }

    private Recipient today(Who.Task task) {
        String id = "task:" + (task.account() == null ? "everybody" : task.account());
        return new Recipient(id, null, "Today", "", Closeness.COLLEAGUE, known.usualLanguage());
    }

    private List<Recipient> own(PersonFile file, List<Near> near) {
        Somebody person = new Somebody(null, file.name(), file.email());
        List<Somebody> related = near.stream()
                .map(n -> new Somebody(n.kind(), n.name(), n.email()))
                .toList();
        String language = known.languages().getOrDefault(file.id(), known.usualLanguage());
        String given = file.givenName().isEmpty() ? file.familyName() : file.givenName();
        List<Recipient> own = Representation.receiving(person, file.birthDate(), related, today).stream()
                .map(s -> s.kind() == null
                        ? new Recipient("person", s.email(), s.name(), given, Closeness.OWN, language)
                        : new Recipient(
                                "guardian:" + plain(s.name()), s.email(), s.name(), s.name(), Closeness.OWN, language))
                .toList();
        return own.isEmpty()
                ? List.of(
                        new Recipient("guardian", null, "the guardian of " + file.name(), "", Closeness.OWN, language))
                : own;
    }

    private static String plain(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }

    private List<Recipient> related(List<Near> near, RelationKind kind) {
        return near.stream()
                .filter(n -> n.kind() == kind)
                .map(n -> outsider("related:" + kind + ":" + plain(n.name()), n.email(), n.name()))
                .toList();
    }

    private List<Recipient> inCharge(UUID id, List<Near> near) {
        List<Recipient> related = near.stream()
                .filter(n -> n.kind() == RelationKind.SUPERVISOR)
                .map(n -> outsider("supervisor:" + plain(n.name()), n.email(), n.name()))
                .toList();
        return !related.isEmpty()
                ? related
                : known.inCharge().getOrDefault(id, List.of()).stream()
                        .map(f -> outsider("supervisor:" + plain(f.name()), f.email(), f.name()))
                        .toList();
    }

    private Recipient outsider(String id, @Nullable String address, String name) {
        return new Recipient(id, address, name, name, Closeness.OUTSIDER, known.usualLanguage());
    }

    /** Whoever has an account may know what the account may. */
    private Recipient asFarAsKnown(Recipient recipient, Watched watched) {
        if (recipient.closeness() != Closeness.OUTSIDER || !watched.sensitive() || recipient.mailbox() == null) {
            return recipient;
        }
        Viewer account = known.colleagues().get(recipient.mailbox());
        return account != null && account.maySeeAny(watched.types())
                ? new Recipient(
                        recipient.id(),
                        recipient.address(),
                        recipient.name(),
                        recipient.greeted(),
                        Closeness.COLLEAGUE,
                        recipient.language())
                : recipient;
    }

    /** A colleague is told of what the account may know, and of nothing else. */
    private List<Recipient> colleague(Who.Colleague who, Watched watched) {
        UUID account = UUID.fromString(who.account());
        UUID id = UUID.fromString(watched.file());
        Optional<Viewer> viewer = known.colleagues().values().stream()
                .filter(v -> v.accountId().equals(account))
                .findFirst();
        PersonFile file = known.files().get(id);
        return viewer.filter(v -> file != null && v.maySeeFile(id, file.team()) && v.maySeeAny(watched.types()))
                .map(v -> List.of(new Recipient(
                        "colleague:" + account,
                        v.email(),
                        v.name(),
                        v.name(),
                        Closeness.COLLEAGUE,
                        known.usualLanguage())))
                .orElse(List.of());
    }
}
