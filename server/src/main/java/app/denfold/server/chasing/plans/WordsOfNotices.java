package app.denfold.server.chasing.plans;

import app.denfold.core.notices.NoticeWords;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the words of notices. */
@Service
public class WordsOfNotices {

    private static final int LONGEST_NAME = 80;
    private static final int LONGEST_SUBJECT = 200;
    private static final int LONGEST_TEXT = 8_000;

    private final KeptWordsRepository words;
    private final NoticePlanRepository plans;
    private final PlacesOfNotices places;
    private final PracticeSettings settings;
    private final AuditTrail trail;

    WordsOfNotices(
            KeptWordsRepository words,
            NoticePlanRepository plans,
            PlacesOfNotices places,
            PracticeSettings settings,
            AuditTrail trail) {
        this.words = words;
        this.plans = plans;
        this.places = places;
        this.settings = settings;
        this.trail = trail;
    }

    /** @param changes how often they were changed, which a change of them has to name @param texts by language */
    record WordsOfNoticeAnswer(
            UUID id, int changes, String name, Map<String, NoticeWords> texts, List<String> usedBy) {}

    /** By name. */
    @Transactional(readOnly = true)
    public List<WordsOfNoticeAnswer> all() {
        List<NoticePlan> known = plans.findAllByOrderByNameAscIdAsc();
        return words.findAllByOrderByNameAscIdAsc().stream()
                .map(w -> new WordsOfNoticeAnswer(
                        w.id(),
                        w.changes(),
                        w.name(),
                        new LinkedHashMap<>(w.texts()),
                        known.stream()
                                .filter(p -> p.uses(w.id()))
                                .map(NoticePlan::name)
                                .toList()))
                .toList();
    }

    /** All of them by id and language, for writing many notices. */
    @Transactional(readOnly = true)
    public Map<String, Map<String, NoticeWords>> byId() {
        return words.findAll().stream().collect(Collectors.toMap(w -> w.id().toString(), KeptWords::texts));
    }

    /** The language of those who have no other: that of the practice, if notices are written in it. */
    public String usualLanguage() {
        List<String> languages = settings.look().languages();
        String first = languages.isEmpty()
                ? ""
                : Locale.forLanguageTag(languages.get(0)).getLanguage();
        return first.equals("de") ? "de" : "en";
    }

    /** @throws Refusal when the name is taken, a text is missing or has a place that is not known */
    @Transactional
    public UUID add(Viewer viewer, String name, Map<String, NoticeWords> texts) {
        viewer.requireAdministrator();
        KeptWords kept = words.save(new KeptWords(free(name, null), checked(texts)));
        trail.record(AuditEntry.general(viewer.actor(), "notice-words", "wrote the words “" + kept.name() + "”"));
        return kept.id();
    }

    /** @throws Refusal likewise, or when somebody else changed them since {@code changes} */
    @Transactional
    public void change(Viewer viewer, UUID id, int changes, String name, Map<String, NoticeWords> texts) {
        viewer.requireAdministrator();
        KeptWords kept = words.findById(id).orElseThrow(() -> Refusal.notFound("words"));
        if (kept.changes() != changes) {
            throw Refusal.changedMeanwhile("these words");
        }
        kept.change(free(name, id), checked(texts));
        trail.record(AuditEntry.general(viewer.actor(), "notice-words", "changed the words “" + kept.name() + "”"));
    }

    /** @throws Refusal when a plan uses them */
    @Transactional
    public void remove(Viewer viewer, UUID id) {
        viewer.requireAdministrator();
        KeptWords kept = words.findById(id).orElseThrow(() -> Refusal.notFound("words"));
        plans.findAllByOrderByNameAscIdAsc().stream()
                .filter(p -> p.uses(id))
                .findFirst()
                .ifPresent(p -> {
                    throw Refusal.conflict("words-used", "The plan “" + p.name() + "” uses these words.");
                });
        words.delete(kept);
        trail.record(AuditEntry.general(viewer.actor(), "notice-words", "removed the words “" + kept.name() + "”"));
    }

    private String free(String name, @Nullable UUID own) {
        String wanted = name == null ? "" : name.strip();
        if (wanted.isEmpty() || wanted.length() > LONGEST_NAME) {
            throw Refusal.invalid("name", "Give the words a name of up to " + LONGEST_NAME + " letters.");
        }
        if (words.findAllByOrderByNameAscIdAsc().stream()
                .anyMatch(w -> w.name().equalsIgnoreCase(wanted) && !w.id().equals(own))) {
            throw Refusal.invalid("name", "There are words of this name already.");
        }
        return wanted;
    }

    /** @throws Refusal when a text is missing, too long, or has a place that is not known */
    public Map<String, NoticeWords> checked(Map<String, NoticeWords> texts) {
        Map<String, NoticeWords> checked = new HashMap<>();
        List<String> known = places.names();
        texts.forEach((language, text) -> {
            if (!text.subject().isBlank() || !text.text().isBlank()) {
                checked.put(language, checked(language, text, known));
            }
        });
        if (!checked.containsKey(usualLanguage())) {
            throw Refusal.invalid(
                    "texts",
                    "Write them in the practice's usual language first ("
                            + Locale.forLanguageTag(usualLanguage()).getDisplayLanguage(Locale.ENGLISH) + ").");
        }
        return checked;
    }

    private static NoticeWords checked(String language, NoticeWords text, List<String> known) {
        if (!language.equals("en") && !language.equals("de")) {
            throw Refusal.invalid("texts", "Notices are written in English and German.");
        }
        if (text.subject().isBlank() || text.text().isBlank()) {
            throw Refusal.invalid("texts", "Write both a subject and a text.");
        }
        if (text.subject().length() > LONGEST_SUBJECT || text.text().length() > LONGEST_TEXT) {
            throw Refusal.invalid("texts", "A subject has up to " + LONGEST_SUBJECT + " letters, a text up to 8,000.");
        }
        text.places().stream().filter(p -> !known.contains(p)).findFirst().ifPresent(p -> {
            throw Refusal.invalid("texts", "There is no place {" + p + "}. Choose one from the list.");
        });
        if (!text.places().contains(NoticeWords.OPEN)) {
            throw Refusal.invalid("texts", "Say what is open: put the place {what is open} into the text.");
        }
        return new NoticeWords(
                text.subject().strip(), text.text().replace("\r\n", "\n").strip());
    }
}
