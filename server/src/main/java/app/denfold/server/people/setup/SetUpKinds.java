package app.denfold.server.people.setup;

import app.denfold.core.filing.Subject;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.people.PeopleEvents.KindsChanged;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.people.kinds.PersonKindRepository;
import app.denfold.server.problems.Refusal;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Changes kinds of files and their facts, without taking away what files hold. */
@Service
class SetUpKinds {

    private final PersonKindRepository kinds;
    private final AuditTrail trail;
    private final ApplicationEventPublisher events;

    SetUpKinds(PersonKindRepository kinds, AuditTrail trail, ApplicationEventPublisher events) {
        this.kinds = kinds;
        this.trail = trail;
        this.events = events;
    }

    /**
     * @param version as it was read; 0 for a new kind
     * @param numberPrefix cannot be changed later
     * @param subject cannot be changed once there are files
     */
    record KindDetails(
            int version,
            @NotBlank(message = "is needed") @Size(max = 40) String label,
            @NotBlank(message = "is needed") @Size(max = 40) String plural,
            @NotBlank(message = "is needed") String numberPrefix,
            @NotNull(message = "is needed") Subject subject,
            List<FactDefinition> facts) {}

    long countFiles(String code) {
        return kinds.countFiles(code);
    }

    /** @throws Refusal when something is wrong, is in use, or the kind changed meanwhile */
    @Transactional
    void save(Viewer viewer, String code, KindDetails details) {
        viewer.requireAdministrator();
        checkFacts(details.facts());
        Optional<PersonKind> kept = kinds.findById(code);
        if (kept.isEmpty()) {
            make(code, details);
        } else {
            change(kept.get(), details);
        }
        trail.record(AuditEntry.general(viewer.actor(), "kind-changed", "set up the kind “" + details.label() + "”"));
        kinds.flush();
        events.publishEvent(new KindsChanged(details.label(), viewer.actor()));
    }

    private void make(String code, KindDetails details) {
        if (!code.matches("[a-z][a-z0-9-]{0,39}")) {
            throw Refusal.invalid("code", "A code has small letters, digits and dashes: " + code + ".");
        }
        if (!details.numberPrefix().matches("[A-Z]{1,3}")) {
            throw Refusal.invalid("numberPrefix", "A prefix of file numbers has one to three capital letters.");
        }
        List<PersonKind> all = kinds.findAllByOrderByOrdinal();
        if (all.stream().anyMatch(k -> k.numberPrefix().equals(details.numberPrefix()))) {
            throw Refusal.invalid("numberPrefix", "Another kind has file numbers that begin so.");
        }
        kinds.save(new PersonKind(
                        code,
                        details.label().strip(),
                        details.plural().strip(),
                        details.numberPrefix(),
                        all.size(),
                        details.facts())
                .about(details.subject()));
    }

    private void change(PersonKind kept, KindDetails details) {
        if (kept.version() != details.version()) {
            throw Refusal.changedMeanwhile("this");
        }
        if (kept.subject() != details.subject() && kinds.countFiles(kept.code()) > 0) {
            throw Refusal.conflict(
                    "kind-used",
                    "There are files of this kind, so what they are about stays as it is. Make another kind instead.");
        }
        for (FactDefinition before : kept.facts()) {
            Optional<FactDefinition> after = details.facts().stream()
                    .filter(f -> f.name().equals(before.name()))
                    .findFirst();
            if (after.isEmpty() || !after.get().form().holdsAllOf(before.form())) {
                refuseWhenHeld(kept, before, "");
            } else {
                before.choices().stream()
                        .filter(choice -> !after.get().choices().contains(choice))
                        .forEach(choice -> refuseWhenHeld(kept, before, choice));
            }
        }
        kept.about(details.subject());
        kept.take(details.label().strip(), details.plural().strip(), details.facts());
    }

    private void refuseWhenHeld(PersonKind kind, FactDefinition fact, String value) {
        long holders = kinds.countValues(kind.code(), fact.name(), value);
        if (holders > 0) {
            String what = value.isEmpty() ? "“" + fact.label() + "”" : "“" + value + "” of “" + fact.label() + "”";
            throw Refusal.conflict(
                    "fact-used",
                    what + " stands in " + holders + (holders == 1 ? " file" : " files")
                            + " and cannot be taken away or become something else.");
        }
    }

    private static void checkFacts(List<FactDefinition> facts) {
        Set<String> names = new HashSet<>();
        for (int i = 0; i < facts.size(); i++) {
            FactDefinition fact = facts.get(i);
            String at = "facts." + i + ".";
            if (fact.name() == null
                    || !fact.name().matches("[A-Za-z][A-Za-z0-9]{0,39}")
                    || fact.name().equals("kind")) {
                throw Refusal.invalid(at + "name", "A fact's name has letters and digits only, and is not “kind”.");
            }
            if (!names.add(fact.name())) {
                throw Refusal.invalid(at + "name", "There are two facts called " + fact.name() + ".");
            }
            if (fact.label() == null || fact.label().isBlank()) {
                throw Refusal.invalid(at + "label", "A fact needs words to be called by.");
            }
            if (fact.form() == FactDefinition.Form.CHOICE && fact.choices().isEmpty()) {
                throw Refusal.invalid(at + "choices", "A choice needs at least one value to choose from.");
            }
            if (new HashSet<>(fact.choices()).size() < fact.choices().size()) {
                throw Refusal.invalid(at + "choices", "A choice is listed twice.");
            }
        }
    }
}
