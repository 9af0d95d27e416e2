package app.denfold.server.catalog.setup;

import app.denfold.core.filing.NamePattern;
import app.denfold.core.filing.Subject;
import app.denfold.core.filing.TypeField;
import app.denfold.core.receiving.Receiver;
import app.denfold.core.receiving.ReceivingRule;
import app.denfold.exchange.BadInput;
import app.denfold.exchange.RulesJson;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.ChecklistRepository;
import app.denfold.server.catalog.ChecklistVersion;
import app.denfold.server.catalog.Codes;
import app.denfold.server.catalog.DocumentTypeRepository;
import app.denfold.server.catalog.KeptChecklist;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.catalog.Section;
import app.denfold.server.catalog.SectionRepository;
import app.denfold.server.catalog.Signer;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.annotation.Nullable;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Changes sections, types and checklists: checked as a whole, saved as a whole, and told to whoever computes by them. */
@Service
public class SetUpRules {

    private final Accounts accounts;
    private final SectionRepository sections;
    private final DocumentTypeRepository types;
    private final ChecklistRepository checklists;
    private final Catalog catalog;
    private final AuditTrail trail;
    private final JsonMapper mapper = new JsonMapper();
    private final PracticeCalendar calendar;

    SetUpRules(
            SectionRepository sections,
            DocumentTypeRepository types,
            ChecklistRepository checklists,
            Catalog catalog,
            AuditTrail trail,
            PracticeCalendar calendar,
            Accounts accounts) {
        this.accounts = accounts;
        this.sections = sections;
        this.types = types;
        this.checklists = checklists;
        this.catalog = catalog;
        this.trail = trail;
        this.calendar = calendar;
    }

    /**
     * A document type as it is typed.
     *
     * @param version as it was read; 0 for a new one
     * @param validity in the open JSON
     */
    public record TypeDetails(
            int version,
            @NotBlank(message = "is needed") @Size(max = 80) String label,
            @NotBlank(message = "is needed") String section,
            @NotNull @Schema(ref = RulesInOpenApi.VALIDITY) JsonNode validity,

            @NotBlank(message = "is needed") @Size(max = 200)
            String namingPattern,

            List<Signer> signers,
            boolean needsReview,
            boolean sensitive,
            List<String> synonyms,
            @Nullable List<FieldDetails> fields,
            @Nullable UUID reviewer,
            @Nullable ReceivingDetails receiving) {}

    /**
     * What is to be done about the papers of a type once they are complete, as it is typed.
     *
     * @param from the first day of completion for which that holds; null for all papers
     */
    public record ReceivingDetails(
            List<ReceiverDetails> receivers,
            boolean secondCheck,
            @Nullable LocalDate from) {

        static ReceivingDetails of(ReceivingRule rule) {
            return new ReceivingDetails(
                    rule.receivers().stream()
                            .map(r -> new ReceiverDetails(r.who(), r.code().isEmpty() ? null : r.code()))
                            .toList(),
                    rule.secondCheck(),
                    rule.from());
        }
    }

    /** @param code null for the person of the file */
    public record ReceiverDetails(
            Receiver.Who who, @Nullable String code) {}

    /**
     * A field of a type as it is typed.
     *
     * @param found one of the names of {@link TypeField.Found}
     */
    public record FieldDetails(
            String name, String found, @Nullable String sign) {}

    /**
     * A version of a checklist as it is typed.
     *
     * @param version of the whole checklist as it was read; 0 for a new one
     * @param fromDay first day in force; null for since ever
     * @param definition in the open JSON
     * @param labels what its requirements are called, by their codes
     */
    public record ChecklistDetails(
            int version,
            @NotBlank(message = "is needed") @Size(max = 80) String label,
            @Nullable LocalDate fromDay,
            @NotNull @Schema(ref = RulesInOpenApi.CHECKLIST) JsonNode definition,
            Map<String, String> labels) {}

    /** @param code null for a section to be made @param sensitive whether all its papers are @param subject what files are about that have it; null for all files */
    public record SectionDetails(
            @Nullable String code,
            @NotBlank(message = "is needed") @Size(max = 60) String label,
            boolean sensitive,
            @Nullable Subject subject) {}

    /** The rules as they are. */
    public Catalog.Rules current() {
        return catalog.rules();
    }

    /** The rules as they would be with this type; nothing is saved. @throws Refusal when it cannot be */
    public Catalog.Rules supposing(String code, TypeDetails details) {
        List<KeptDocumentType> all = new ArrayList<>();
        types.findAllByOrderByLabel().stream()
                .filter(t -> !t.code().equals(code))
                .forEach(all::add);
        all.add(checked(code, details));
        return catalog.supposing(all, checklists.findAllWithVersions());
    }

    /** The rules as they would be with this version of a checklist; nothing is saved. @throws Refusal when it cannot be */
    public Catalog.Rules supposing(String code, ChecklistDetails details) {
        check(code, details);
        List<KeptChecklist> all = new ArrayList<>();
        boolean known = false;
        for (KeptChecklist kept : checklists.findAllWithVersions()) {
            KeptChecklist copy = kept.copy();
            if (kept.code().equals(code)) {
                copy.put(version(details));
                known = true;
            }
            all.add(copy);
        }
        if (!known) {
            KeptChecklist added = new KeptChecklist(code, details.label(), all.size());
            added.put(version(details));
            all.add(added);
        }
        return catalog.supposing(types.findAllByOrderByLabel(), all);
    }

    private static ChecklistVersion version(ChecklistDetails details) {
        return new ChecklistVersion(details.fromDay(), details.definition().toString(), Map.copyOf(details.labels()));
    }

    /** Saves a type. @throws Refusal when something is wrong with it, with its place, or it changed meanwhile */
    @Transactional
    public void save(Viewer viewer, String code, TypeDetails details) {
        viewer.requireAdministrator();
        KeptDocumentType typed = checked(code, details);
        KeptDocumentType kept = types.findById(code).orElse(null);
        boolean holdsOtherwise = kept != null && !isSame(kept.validity(), typed.validity());
        boolean isFoundOtherwise = kept != null
                && (!kept.label().equals(typed.label())
                        || !kept.signers().equals(typed.signers())
                        || kept.needsReview() != typed.needsReview()
                        || !kept.receiving().equals(typed.receiving()));
        if (kept == null) {
            requireCode(code);
            types.save(typed);
        } else {
            requireSame(kept.version(), details.version());
            kept.take(typed);
        }
        trail.record(AuditEntry.general(
                viewer.actor(), "type-changed", "set up the document type “" + details.label() + "”"));
        catalog.changed("the type " + details.label(), viewer.actor(), holdsOtherwise, isFoundOtherwise);
    }

    private KeptDocumentType checked(String code, TypeDetails details) {
        if (sections.findById(details.section()).isEmpty()) {
            throw Refusal.invalid("section", "There is no section " + details.section() + ".");
        }
        Set<String> roles = new HashSet<>();
        for (int i = 0; i < details.signers().size(); i++) {
            Signer signer = details.signers().get(i);
            if (signer.role() == null || !signer.role().matches("[a-z][a-z0-9-]{0,39}") || !roles.add(signer.role())) {
                throw Refusal.invalid(
                        "signers." + i + ".role",
                        "Each signer needs a role of his own, in small letters: “" + signer.role() + "” cannot be.");
            }
        }
        try {
            NamePattern.parse(details.namingPattern());
        } catch (IllegalArgumentException wrong) {
            throw Refusal.invalid("namingPattern", wrong.getMessage());
        }
        List<TypeField> fields = fields(details);
        Matcher inName = Pattern.compile("\\{field ([^}]*)}").matcher(details.namingPattern());
        while (inName.find()) {
            String name = inName.group(1);
            if (fields.stream().noneMatch(f -> f.name().equals(name))) {
                throw Refusal.invalid("namingPattern", "The type has no field called “" + name + "”.");
            }
        }
        types.findAllByOrderByLabel().stream()
                .filter(t -> t.label().equalsIgnoreCase(details.label().strip())
                        && !t.code().equals(code))
                .findFirst()
                .ifPresent(other -> {
                    throw Refusal.invalid("label", "There is already a document type called " + other.label() + ".");
                });
        try {
            return new KeptDocumentType(
                            code,
                            details.label().strip(),
                            details.section(),
                            details.validity().toString(),
                            details.signers(),
                            details.needsReview(),
                            details.sensitive(),
                            details.synonyms())
                    .named(details.namingPattern())
                    .with(fields)
                    .reviewedBy(details.needsReview() ? reviewer(details) : null)
                    .then(receiving(details.receiving()));
        } catch (BadInput wrong) {
            throw at("validity", wrong);
        }
    }

    private static ReceivingRule receiving(@Nullable ReceivingDetails details) {
        if (details == null) {
            return ReceivingRule.NONE;
        }
        List<Receiver> receivers = new ArrayList<>();
        for (int i = 0; i < details.receivers().size(); i++) {
            ReceiverDetails one = details.receivers().get(i);
            try {
                receivers.add(new Receiver(one.who(), one.code() == null ? "" : one.code()));
            } catch (IllegalArgumentException wrong) {
                throw Refusal.invalid("receiving.receivers." + i, wrong.getMessage() + ".");
            }
        }
        try {
            ReceivingRule rule = new ReceivingRule(receivers, details.secondCheck(), details.from());
            return rule.asksNothing() ? ReceivingRule.NONE : rule;
        } catch (IllegalArgumentException wrong) {
            throw Refusal.invalid("receiving.receivers", wrong.getMessage() + ".");
        }
    }

    private @Nullable UUID reviewer(TypeDetails details) {
        if (details.reviewer() == null) {
            return null;
        }
        return accounts.viewer(details.reviewer())
                .filter(v -> v.role().worksHere() && v.mayChange())
                .filter(v -> !details.sensitive() || v.seesSensitive())
                .map(Viewer::accountId)
                .orElseThrow(() ->
                        Refusal.invalid("reviewer", "Choose a colleague who may see these papers and change files."));
    }

    private static List<TypeField> fields(TypeDetails details) {
        List<TypeField> result = new ArrayList<>();
        Set<String> names = new HashSet<>();
        List<FieldDetails> typed = details.fields() == null ? List.of() : details.fields();
        for (int i = 0; i < typed.size(); i++) {
            FieldDetails field = typed.get(i);
            try {
                result.add(new TypeField(
                        field.name(),
                        TypeField.Found.valueOf(field.found()),
                        field.sign() == null ? "" : field.sign()));
            } catch (IllegalArgumentException wrong) {
                throw Refusal.invalid("fields." + i, wrong.getMessage() + ".");
            }
            if (!names.add(result.get(i).name().toLowerCase(Locale.ROOT))) {
                throw Refusal.invalid("fields." + i, "Two fields are called “" + field.name() + "”.");
            }
        }
        return result;
    }

    /** Saves a version of a checklist. @throws Refusal when something is wrong with it, with its place, or it changed */
    @Transactional
    public void save(Viewer viewer, String code, ChecklistDetails details) {
        viewer.requireAdministrator();
        check(code, details);
        KeptChecklist kept = checklists.findById(code).orElse(null);
        if (kept == null) {
            requireCode(code);
            kept = new KeptChecklist(code, details.label().strip(), (int) checklists.count());
        } else {
            requireSame(kept.version(), details.version());
            kept.rename(details.label().strip());
        }
        boolean asksOtherwise = kept.versions().stream()
                .noneMatch(v -> Objects.equals(v.fromDay(), details.fromDay())
                        && isSame(v.definition(), details.definition().toString()));
        asksOtherwise |= kept.put(version(details)) > 1;
        checklists.save(kept);
        String from = details.fromDay() == null ? "" : ", in force from " + PracticeCalendar.words(details.fromDay());
        trail.record(AuditEntry.general(
                viewer.actor(), "checklist-changed", "set up the checklist “" + details.label() + "”" + from));
        catalog.changed("the checklist " + details.label(), viewer.actor(), asksOtherwise, false);
    }

    private void check(String code, ChecklistDetails details) {
        Set<String> codes = types.findAllByOrderByLabel().stream()
                .map(KeptDocumentType::code)
                .collect(Collectors.toSet());
        try {
            String named = RulesJson.checklist(details.definition().toString(), codes, catalog.sense())
                    .code();
            if (!named.equals(code)) {
                throw Refusal.invalid("definition/code", "The checklist is called " + code + ", not " + named + ".");
            }
        } catch (BadInput wrong) {
            throw at("definition", wrong);
        }
    }

    /** A refusal at the place in the request: the field, then the path within its JSON. */
    private static Refusal at(String field, BadInput wrong) {
        return Refusal.invalid(field + wrong.at(), wrong.getMessage());
    }

    /** Puts the checklists in this order; those not named follow. */
    @Transactional
    public void order(Viewer viewer, List<String> codes) {
        viewer.requireAdministrator();
        List<KeptChecklist> all = checklists.findAllWithVersions();
        for (KeptChecklist list : all) {
            int place = codes.indexOf(list.code());
            list.moveTo(place < 0 ? codes.size() + list.ordinal() : place);
        }
        String order = all.stream()
                .sorted(Comparator.comparing(KeptChecklist::ordinal))
                .map(list -> "“" + list.label() + "”")
                .collect(Collectors.joining(", "));
        trail.record(
                AuditEntry.general(viewer.actor(), "checklists-ordered", "put the checklists in the order " + order));
        // slots stand in the order of their checklists
        catalog.changed("the order of checklists", viewer.actor(), true, false);
    }

    /** Sets the sections in this order; one that is left out is removed if no type stands in it. */
    @Transactional
    public void save(Viewer viewer, List<SectionDetails> details) {
        viewer.requireAdministrator();
        Map<String, Section> kept = new LinkedHashMap<>();
        sections.findAllByOrderByOrdinal().forEach(s -> kept.put(s.code(), s));
        Set<String> labels = new HashSet<>();
        for (int i = 0; i < details.size(); i++) {
            SectionDetails section = details.get(i);
            if (!labels.add(section.label().strip().toLowerCase(java.util.Locale.ROOT))) {
                throw Refusal.invalid(i + ".label", "There are two sections called " + section.label() + ".");
            }
            Section before = section.code() == null ? null : kept.remove(section.code());
            Section now = before == null
                    ? new Section(newCode(section.label(), i), section.label().strip(), i)
                    : before;
            now.take(section.label().strip(), i);
            now.keepFromMany(section.sensitive());
            now.of(section.subject());
            sections.save(now);
        }
        for (Section left : kept.values()) {
            if (types.existsBySection(left.code())) {
                throw Refusal.conflict(
                        "section-used",
                        "Document types stand in the section " + left.label() + ". Move them to another one first.");
            }
            sections.delete(left);
        }
        trail.record(AuditEntry.general(viewer.actor(), "sections-changed", "set up the sections of a file"));
    }

    private String newCode(String label, int place) {
        String code = Codes.of(label);
        return sections.existsById(code) ? code + "-" + place : code;
    }

    private boolean isSame(String json, String other) {
        return mapper.readTree(json).equals(mapper.readTree(other));
    }

    private static void requireCode(String code) {
        if (!Codes.isCode(code)) {
            throw Refusal.invalid(
                    "code", "A code has small letters, digits and dashes, and begins with a letter: " + code + ".");
        }
    }

    private static void requireSame(int kept, int read) {
        if (kept != read) {
            throw Refusal.changedMeanwhile("this");
        }
    }

    /** The day used where a day must be shown. */
    LocalDate today() {
        return calendar.today();
    }

    /** An example of what a validity rule does, in words. @param dated of the example paper; null for three months ago */
    String example(Viewer viewer, @Nullable String label, String validity, @Nullable LocalDate dated) {
        viewer.requireAdministrator();
        LocalDate day = dated == null ? today().minusMonths(3) : dated;
        try {
            return ValidityWords.example(label == null ? "" : label, RulesJson.validity(validity), day);
        } catch (BadInput wrong) {
            throw Refusal.invalid("validity" + wrong.at(), wrong.getMessage());
        }
    }
}
