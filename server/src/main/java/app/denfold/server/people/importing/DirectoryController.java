package app.denfold.server.people.importing;

import app.denfold.server.access.Viewer;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/directory")
class DirectoryController {

    private final Directory directory;

    DirectoryController(Directory directory) {
        this.directory = directory;
    }

    record DirectoryState(boolean on) {}

    /** A person as a form takes him. @param identifiers the number he has there */
    record DirectoryEntry(
            @Nullable String givenName,
            @Nullable String familyName,
            @Nullable LocalDate birthDate,
            @Nullable String email,
            List<String> formerNames,
            List<String> identifiers,
            Map<String, String> facts) {}

    @GetMapping
    DirectoryState state() {
        return new DirectoryState(directory.isOn());
    }

    @GetMapping("/{number}")
    DirectoryEntry entry(Viewer viewer, @PathVariable String number) {
        viewer.requireChange();
        Directory.Entry entry = directory.isOn() ? directory.find(number).orElse(null) : null;
        if (entry == null) {
            throw Refusal.notFound("number in the directory");
        }
        return new DirectoryEntry(
                entry.givenName(),
                entry.familyName(),
                entry.birthDate(),
                entry.email(),
                entry.formerNames() == null ? List.of() : entry.formerNames(),
                List.of(number),
                entry.facts() == null ? Map.of() : entry.facts());
    }
}
