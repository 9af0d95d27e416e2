package app.denfold.server.people.kinds;

import app.denfold.server.access.SensitiveThings;
import app.denfold.server.access.Viewer;
import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
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

    /** Facts that few may know. */
    @Component
    static class SensitiveFacts implements SensitiveThings {
        private final PersonKindRepository kinds;

        SensitiveFacts(PersonKindRepository kinds) {
            this.kinds = kinds;
        }

        @Override
        public Set<String> facts() {
            return kinds.findAllByOrderByOrdinal().stream()
                    .flatMap(k -> k.facts().stream()
                            .filter(FactDefinition::sensitive)
                            .map(f -> Viewer.fact(k.code(), f.name())))
                    .collect(Collectors.toSet());
        }
    }

    /** The form of each fact of each kind, by kind and name. */
    public Map<String, Map<String, FactDefinition.Form>> forms() {
        return all().stream().collect(Collectors.toMap(PersonKind::code, k -> k.facts().stream()
                .collect(Collectors.toMap(FactDefinition::name, FactDefinition::form))));
    }

    public PersonKind lock(String code) {
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
