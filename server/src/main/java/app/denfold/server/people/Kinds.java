package app.denfold.server.people;

import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The kinds of files. */
@Service
public class Kinds {

    private final PersonKindRepository kinds;

    Kinds(PersonKindRepository kinds) {
        this.kinds = kinds;
    }

    public List<PersonKind> all() {
        return kinds.findAllByOrderByOrdinal();
    }

    /** @throws Refusal when there is no such kind */
    public PersonKind kind(String code) {
        return known(kinds.findById(code), code);
    }

    PersonKind lock(String code) {
        return known(kinds.lock(code), code);
    }

    private static PersonKind known(Optional<PersonKind> kind, String code) {
        return kind.orElseThrow(() -> Refusal.invalid("kind", "There is no kind called " + code + "."));
    }

    @Transactional
    public void add(PersonKind kind) {
        kinds.save(kind);
    }
}
