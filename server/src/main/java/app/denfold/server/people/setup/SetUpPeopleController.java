package app.denfold.server.people.setup;

import app.denfold.core.filing.Subject;
import app.denfold.server.access.Viewer;
import app.denfold.server.people.importing.ImportPeople;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.Kinds;
import jakarta.validation.Valid;
import java.io.IOException;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Set-up of kinds, and people taken in from a list. */
@RestController
@RequestMapping("/api/set-up")
class SetUpPeopleController {

    private final Kinds kinds;
    private final SetUpKinds setUp;
    private final ImportPeople people;

    SetUpPeopleController(Kinds kinds, SetUpKinds setUp, ImportPeople people) {
        this.kinds = kinds;
        this.setUp = setUp;
        this.people = people;
    }

    /** @param files how many files are of this kind */
    record KindSetUp(
            String code,
            int version,
            String label,
            String plural,
            String numberPrefix,
            Subject subject,
            long files,
            List<FactDefinition> facts) {}

    @GetMapping("/kinds")
    List<KindSetUp> kinds(Viewer viewer) {
        viewer.requireAdministrator();
        return kinds.all().stream()
                .map(k -> new KindSetUp(
                        k.code(),
                        k.version(),
                        k.label(),
                        k.plural(),
                        k.numberPrefix(),
                        k.subject(),
                        setUp.countFiles(k.code()),
                        k.facts()))
                .toList();
    }

    @PutMapping("/kinds/{code}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void save(Viewer viewer, @PathVariable String code, @Valid @RequestBody SetUpKinds.KindDetails body) {
        setUp.save(viewer, code, body);
    }

    /** @param kind of the files that address cards become @param apply false tells what would happen, line by line */
    @PostMapping(path = "/people", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ImportPeople.PeopleImport take(
            Viewer viewer,
            @RequestPart MultipartFile file,
            @RequestParam(required = false) String kind,
            @RequestParam(defaultValue = "false") boolean apply)
            throws IOException {
        return people.take(viewer, file.getBytes(), kind, apply);
    }
}
