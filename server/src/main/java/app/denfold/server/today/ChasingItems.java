package app.denfold.server.today;

import app.denfold.server.access.Viewer;
import app.denfold.server.chasing.addresses.SilentAddresses;
import app.denfold.server.chasing.addresses.SilentAddresses.ToMend;
import app.denfold.server.chasing.answers.KeepMailAnswers;
import app.denfold.server.chasing.answers.KeepMailAnswers.WrittenBack;
import app.denfold.server.chasing.planned.ChasingTasks;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.today.TodayList.TodayItem;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What chasing brings into Today: what people wrote back, what plans leave to colleagues, and addresses to be mended. */
@Component
class ChasingItems {

    private static final int MOST_LETTERS = 300;

    private final KeepMailAnswers answers;
    private final ChasingTasks tasks;
    private final SilentAddresses silent;
    private final PersonFiles files;
    private final PracticeCalendar calendar;

    ChasingItems(
            KeepMailAnswers answers,
            ChasingTasks tasks,
            SilentAddresses silent,
            PersonFiles files,
            PracticeCalendar calendar) {
        this.answers = answers;
        this.tasks = tasks;
        this.silent = silent;
        this.files = files;
        this.calendar = calendar;
    }

    List<TodayItem> of(Viewer viewer) {
        List<WrittenBack> written = answers.unseen(viewer);
        List<ChasingTasks.Task> open = tasks.of(viewer);
        List<ToMend> unreachable = silent.toMend(viewer);
        Map<UUID, String> names = names(Stream.of(
                        written.stream().map(WrittenBack::fileId), open.stream().map(ChasingTasks.Task::fileId))
                .flatMap(ids -> ids)
                .collect(Collectors.toSet()));
        List<TodayItem> items = new ArrayList<>();
        written.forEach(a -> items.add(item(
                "mail-answer",
                names.getOrDefault(a.fileId(), a.sender()),
                a.fileId(),
                calendar.dayOf(a.at()),
                a.sender() + ": “" + shortened(a.words()) + "”",
                a.id())));
        open.forEach(t -> items.add(item(
                "plan-task",
                names.getOrDefault(t.fileId(), ""),
                t.fileId(),
                t.since(),
                t.label() + ": " + t.why(),
                t.id())));
        unreachable.forEach(a -> items.add(item(
                "unreachable",
                "Mails to " + a.address() + " come back",
                a.fileId(),
                calendar.dayOf(a.since()),
                a.why() + ". Nobody is chased there until it is mended.",
                null)));
        return items;
    }

    private static TodayItem item(
            String action, String title, @Nullable UUID fileId, LocalDate day, String note, @Nullable UUID taskId) {
        return new TodayItem(action, title, fileId, null, List.of(), day, note, null, null, taskId);
    }

    private static String shortened(String words) {
        String line = words.replaceAll("\\s+", " ");
        return line.length() <= MOST_LETTERS ? line : line.substring(0, MOST_LETTERS) + "…";
    }

    private Map<UUID, String> names(Set<UUID> fileIds) {
        Map<UUID, String> names = new HashMap<>();
        for (PersonFile file : files.files(fileIds)) {
            names.put(file.id(), file.name());
        }
        return names;
    }
}
