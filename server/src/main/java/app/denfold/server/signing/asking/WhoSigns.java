package app.denfold.server.signing.asking;

import app.denfold.core.people.Representation;
import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.core.signing.TypedName;
import app.denfold.server.access.Role;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.catalog.Signer;
import app.denfold.server.people.PersonFile;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.signing.requests.SignatureTurn;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Takes those who are asked for whom they are: colleagues by their accounts, everybody else by name and address. */
@Component
public class WhoSigns {

    /** Of somebody who signs a paper whose type asks for no signature. */
    private static final String NO_ROLE = "signer";

    private final Accounts accounts;
    private final PracticeCalendar calendar;

    WhoSigns(Accounts accounts, PracticeCalendar calendar) {
        this.accounts = accounts;
        this.calendar = calendar;
    }

    /**
     * @param roles that are still open on the papers
     * @param known accounts of those who are asked by an address, from {@link #accountsOf}
     * @return one turn for each, in the order given; steps begin with 0 and none is left out
     * @throws Refusal when somebody is not named, cannot sign, or is asked twice for the same
     */
    List<SignatureTurn> turns(
            List<AskDetails.AskedSigner> asked, List<Signer> roles, PersonFile file, Map<String, Viewer> known) {
        if (asked.stream().noneMatch(s -> s.task() == Task.SIGN)) {
            throw Refusal.invalid("signers", "Choose at least one signer; approvers alone sign nothing.");
        }
        List<Integer> steps = asked.stream()
                .map(AskDetails.AskedSigner::step)
                .distinct()
                .sorted()
                .toList();
        Set<String> sofar = new HashSet<>();
        List<SignatureTurn> turns = new ArrayList<>();
        for (int i = 0; i < asked.size(); i++) {
            AskDetails.AskedSigner signer = asked.get(i);
            String field = "signers." + i + ".";
            SignatureTurn turn = turn(signer, steps.indexOf(signer.step()), roles, file, known, field);
            if (!sofar.add(turn.task() + " " + turn.role() + " " + key(turn))) {
                throw Refusal.invalid(field + "name", turn.name() + " is asked for the same twice.");
            }
            turns.add(turn);
        }
        requireApproversFirst(turns);
        return turns;
    }

    /** Whose the addresses of those who are asked are, for all of them at once. */
    Map<String, Viewer> accountsOf(List<AskDetails.AskedSigner> asked) {
        return accounts.viewersByEmail(asked.stream()
                .map(AskDetails.AskedSigner::email)
                .filter(e -> blankToNull(e) != null)
                .map(Objects::requireNonNull)
                .toList());
    }

    private static String key(SignatureTurn turn) {
        return turn.accountId() != null
                ? turn.accountId().toString()
                : turn.name().toLowerCase(Locale.ROOT) + " " + turn.address();
    }

    private static void requireApproversFirst(List<SignatureTurn> turns) {
        int firstSigned = turns.stream()
                .filter(t -> t.task() == Task.SIGN)
                .mapToInt(SignatureTurn::step)
                .min()
                .orElseThrow();
        if (turns.stream().anyMatch(t -> t.task() == Task.APPROVE && t.step() >= firstSigned)) {
            throw Refusal.invalid("signers", "Approvers look through the papers before anybody signs: put them first.");
        }
    }

    private SignatureTurn turn(
            AskDetails.AskedSigner asked,
            int step,
            List<Signer> roles,
            PersonFile file,
            Map<String, Viewer> known,
            String field) {
        String role = asked.task() == Task.APPROVE ? "approver" : role(asked.role(), roles);
        String label = roles.stream()
                .filter(r -> r.role().equals(role))
                .map(Signer::label)
                .findFirst()
                .orElse(role);
        Optional<Viewer> colleague = colleague(asked, known, field);
        if (asked.task() == Task.APPROVE && colleague.isEmpty()) {
            throw Refusal.invalid(field + "accountId", "Choose a colleague who looks through it first.");
        }
        if (colleague.isPresent()) {
            return new SignatureTurn(
                    step,
                    asked.task(),
                    role,
                    label,
                    colleague.get().accountId(),
                    colleague.get().name(),
                    null);
        }
        String name = named(asked.name(), field);
        requireOfAge(name, file, field + "name");
        return new SignatureTurn(step, asked.task(), role, label, null, name, blankToNull(asked.email()));
    }

    /** Somebody else for the same. @throws Refusal when he cannot sign */
    SignatureTurn successor(SignatureTurn former, AskDetails.AskedSigner to, PersonFile file) {
        return turn(
                new AskDetails.AskedSigner(
                        former.step(), former.task(), former.role(), to.accountId(), to.name(), to.email()),
                former.step(),
                List.of(new Signer(former.role(), former.roleLabel())),
                file,
                accountsOf(List.of(to)),
                "");
    }

    private static String role(@Nullable String asked, List<Signer> roles) {
        if (asked == null || asked.isBlank()) {
            return roles.isEmpty() ? NO_ROLE : roles.get(0).role();
        }
        return asked.strip();
    }

    /** Whoever has an account of a colleague signs with it, also when only his address was given. */
    private Optional<Viewer> colleague(AskDetails.AskedSigner asked, Map<String, Viewer> known, String field) {
        if (asked.accountId() != null) {
            return Optional.of(accounts.viewer(asked.accountId())
                    .filter(v -> v.role().worksHere())
                    .orElseThrow(() -> Refusal.invalid(field + "accountId", "Choose a colleague who works here.")));
        }
        String email = blankToNull(asked.email());
        return email == null
                ? Optional.empty()
                : Optional.ofNullable(known.get(email.toLowerCase(Locale.ROOT)))
                        .filter(v -> v.role() != Role.GUEST && v.role().worksHere());
    }

    /** The colleague whose name this is; empty when nobody's, or several ones' is. */
    public Optional<Viewer> colleagueNamed(String name) {
        List<Viewer> all = accounts.staff().stream()
                .filter(v -> v.name().equalsIgnoreCase(name.strip()))
                .toList();
        return all.size() == 1 ? Optional.of(all.get(0)) : Optional.empty();
    }

    private static String named(@Nullable String name, String field) {
        String stripped = blankToNull(name);
        if (stripped == null) {
            throw Refusal.invalid(field + "name", "is needed: who signs?");
        }
        return stripped;
    }

    /** A child does not sign: a guardian does. @throws Refusal when the name is that of the file's person, who is one */
    public void requireOfAge(String name, PersonFile file, String field) {
        if (Representation.isChild(file.birthDate(), calendar.today()) && TypedName.isOf(file.name(), name)) {
            throw Refusal.invalid(
                    field,
                    file.name() + " is under " + Representation.OF_AGE + ": a guardian signs. Name the guardian.");
        }
    }

    static @Nullable String blankToNull(@Nullable String words) {
        return words == null || words.isBlank()
                ? null
                : Objects.requireNonNull(words).strip();
    }
}
