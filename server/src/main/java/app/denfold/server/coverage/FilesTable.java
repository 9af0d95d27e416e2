package app.denfold.server.coverage;

import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.Status;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.people.Files;
import app.denfold.server.people.Kinds;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonKind;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The table of files, read from stored slots. */
@Service
class FilesTable {

    private static final int MOST = 500;

    private final Files files;
    private final Kinds kinds;
    private final SlotRepository slots;
    private final FileStandingRepository standings;
    private final EvaluateFile evaluate;

    FilesTable(
            Files files, Kinds kinds, SlotRepository slots, FileStandingRepository standings, EvaluateFile evaluate) {
        this.files = files;
        this.kinds = kinds;
        this.slots = slots;
        this.standings = standings;
        this.evaluate = evaluate;
    }

    record Glyph(String label, String status) {}

    /** @param clearThrough null when not clear, clear without end, or not fully visible to the viewer */
    record FileRow(
            UUID id,
            String number,
            String kind,
            String kindLabel,
            String name,
            @Nullable LocalDate birthDate,
            @Nullable String team,
            boolean clear,
            @Nullable LocalDate clearThrough,
            int openSlots,
            Instant lastActivityAt,
            List<Glyph> slots) {}

    @Transactional(readOnly = true)
    public List<FileRow> rows(Viewer viewer, String text, String kind) {
        List<PersonFile> found = files.find(viewer, text, kind, MOST);
        List<UUID> ids = found.stream().map(PersonFile::id).toList();
        Catalog.Rules rules = evaluate.visibleRules(viewer);
        Set<String> visible = new HashSet<>();
        rules.book().checklists().forEach(list -> list.requirements()
                .forEach((Requirement r) -> visible.add(list.code() + "/" + r.code())));
        Map<UUID, List<Slot>> byFile = slots.findByFiles(ids).stream()
                .filter(s -> s.status() != Status.NOT_APPLICABLE)
                .filter(s ->
                        visible.contains(s.key().checklist() + "/" + s.key().requirement()))
                .collect(Collectors.groupingBy(s -> s.key().fileId()));
        Map<UUID, FileStandingRow> standing = new java.util.HashMap<>();
        standings.findAllById(ids).forEach(s -> standing.put(s.getId(), s));
        Map<String, String> labels =
                kinds.all().stream().collect(Collectors.toMap(PersonKind::code, PersonKind::label));
        List<FileRow> rows = new ArrayList<>();
        for (PersonFile file : found) {
            List<Slot> own = byFile.getOrDefault(file.id(), List.of());
            rows.add(row(viewer, file, labels.get(file.kind()), own, standing.get(file.id()), rules));
        }
        return rows;
    }

    private static FileRow row(
            Viewer viewer, PersonFile f, String kind, List<Slot> own, FileStandingRow standing, Catalog.Rules rules) {
        int open = (int)
                own.stream().filter(s -> s.isBlocking() && s.status().isOpen()).count();
        List<Glyph> glyphs = own.stream()
                .map(s -> new Glyph(
                        rules.label(s.key().checklist(), s.key().requirement()),
                        s.status().code()))
                .toList();
        LocalDate through = viewer.seesSensitive() && standing != null ? standing.clearThrough() : null;
        return new FileRow(
                f.id(),
                f.number(),
                f.kind(),
                kind,
                f.name(),
                f.birthDate(),
                f.team(),
                open == 0,
                through,
                open,
                f.lastActivityAt(),
                glyphs);
    }
}
