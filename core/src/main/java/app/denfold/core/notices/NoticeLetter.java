package app.denfold.core.notices;

import app.denfold.core.notices.NoticeDay.Mail;
import app.denfold.core.notices.NoticeDay.Telling;
import app.denfold.core.notices.Recipient.Closeness;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;

/** One mail, written out: for each person and each kind of words a paragraph, the most urgent first. */
public final class NoticeLetter {

    private final Source source;
    private final LocalDate day;

    /** What a letter is written from. */
    public interface Source {
        /** Words by their id in a language, or in the usual one where there are none in it. */
        NoticeWords words(String id, String language);

        /** What is known of the person of a file, by names of places in small letters. */
        Map<String, String> facts(String file);

        /** How the person of a file is called. */
        String name(String file);

        /** What stands under each mail. */
        String closing();
    }

    /** @param text plain, its lines ended by line feeds */
    public record Written(String subject, String text, String language) {}

    public NoticeLetter(Source source, LocalDate day) {
        this.source = source;
        this.day = day;
    }

    /** The values of all places for some things of one person, told to somebody. */
    private Map<String, String> values(String file, List<Watched> told, Closeness to, NoticePhrases phrases) {
        Map<String, String> values = new HashMap<>(source.facts(file));
        values.put(NoticeWords.OPEN, lines(told, to, phrases));
        values.put(NoticeWords.PAPER, label(told.get(0), to, phrases));
        told.stream()
                .flatMap(w -> w.until(day).stream())
                .min(Comparator.naturalOrder())
                .ifPresent(until -> values.put(NoticeWords.UNTIL, phrases.day(until)));
        return values;
    }

    /** Places of a step's words for which nothing is known of the person; such a notice does not go out. */
    public List<String> lacking(Telling telling) {
        String language = telling.recipient().language();
        return source.words(telling.step().words(), language)
                .lacking(values(
                        telling.watched().file(),
                        List.of(telling.watched()),
                        telling.recipient().closeness(),
                        NoticePhrases.of(language)));
    }

    private record Part(String file, String words) {}

    /** @param mail with at least one telling */
    public Written write(Mail mail) {
        Recipient first = mail.tellings().get(0).recipient();
        NoticePhrases phrases = NoticePhrases.of(first.language());
        Map<Part, List<Telling>> parts = new LinkedHashMap<>();
        mail.tellings().forEach(t -> parts.computeIfAbsent(
                        new Part(t.watched().file(), t.step().words()), p -> new ArrayList<>())
                .add(t));
        List<NoticeWords> filled = new ArrayList<>();
        parts.forEach((part, tellings) -> filled.add(filled(part, tellings, first.language(), phrases)));
        StringBuilder text = new StringBuilder(phrases.greeting(mail.recipients().stream()
                        .map(Recipient::greeted)
                        .distinct()
                        .toList()))
                .append("\n\n");
        filled.forEach(words -> text.append(words.text().strip()).append("\n\n"));
        alsoOpen(mail, phrases, text);
        text.append(phrases.regards()).append('\n').append(source.closing());
        String subject = filled.size() == 1
                ? filled.get(0).subject()
                : phrases.subject(each(mail.tellings()).size());
        return new Written(subject, text.toString(), first.language());
    }

    /** A subject line can be read over somebody's shoulder, so that it names no sensitive paper to anybody. */
    private NoticeWords filled(Part part, List<Telling> tellings, String language, NoticePhrases phrases) {
        NoticeWords words = source.words(part.words(), language);
        List<Watched> told = each(tellings);
        String subject = words.filled(values(part.file(), told, Closeness.OUTSIDER, phrases))
                .subject();
        String text = words.filled(values(part.file(), told, closeness(tellings), phrases))
                .text();
        return new NoticeWords(subject, text);
    }

    private static List<Watched> each(List<Telling> tellings) {
        return tellings.stream().map(Telling::watched).distinct().toList();
    }

    private void alsoOpen(Mail mail, NoticePhrases phrases, StringBuilder text) {
        Map<String, Closeness> told = new HashMap<>();
        mail.tellings()
                .forEach(t -> told.merge(t.watched().file(), t.recipient().closeness(), NoticeLetter::farther));
        mail.alsoOpen().stream()
                .collect(Collectors.groupingBy(Watched::file, LinkedHashMap::new, Collectors.toList()))
                .forEach((file, open) -> text.append(phrases.alsoOpen(source.name(file)))
                        .append("\n\n")
                        .append(lines(open, Objects.requireNonNull(told.get(file)), phrases))
                        .append("\n\n"));
    }

    private static Closeness closeness(List<Telling> tellings) {
        return tellings.stream()
                .map(t -> t.recipient().closeness())
                .reduce(NoticeLetter::farther)
                .orElse(Closeness.OUTSIDER);
    }

    private static Closeness farther(Closeness one, Closeness other) {
        return one.compareTo(other) >= 0 ? one : other;
    }

    private String lines(List<Watched> told, Closeness to, NoticePhrases phrases) {
        return told.stream()
                .map(w -> "  - " + label(w, to, phrases) + ": " + phrases.stands(w.on(day), day))
                .collect(Collectors.joining("\n"));
    }

    private static String label(Watched watched, Closeness to, NoticePhrases phrases) {
        return watched.sensitive() && to == Closeness.OUTSIDER ? phrases.somePaper() : watched.label();
    }
}
