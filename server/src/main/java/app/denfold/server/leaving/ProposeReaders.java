package app.denfold.server.leaving;

import app.denfold.server.access.Viewer;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.relations.PeopleAround;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Who copies of a file's papers are likely to be for. */
@Component
class ProposeReaders {

    private final PersonFiles files;
    private final PeopleAround around;

    ProposeReaders(PersonFiles files, PeopleAround around) {
        this.files = files;
        this.around = around;
    }

    /** @param is what the reader is to the person, in words @param email null when none is known */
    record ProposedReader(
            Reader.Kind kind,
            String name,
            String is,
            @Nullable String email) {}

    /** The person, then those around. */
    @Transactional(readOnly = true)
    public List<ProposedReader> of(Viewer viewer, UUID fileId) {
        PersonFile file = files.visible(viewer, fileId);
        List<ProposedReader> readers = new ArrayList<>();
        readers.add(new ProposedReader(Reader.Kind.PERSON, file.name(), "whose file it is", file.email()));
        around.around(viewer, fileId)
                .forEach(s -> readers.add(new ProposedReader(
                        Reader.Kind.AROUND,
                        s.name(),
                        s.kind() == null ? "" : s.kind().label(),
                        s.email())));
        return readers;
    }
}
