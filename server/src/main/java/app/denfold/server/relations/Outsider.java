package app.denfold.server.relations;

import app.denfold.server.people.SearchText;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Somebody, or an organisation, without a file: a guardian, an insurer. */
@Entity
public class Outsider {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String name;
    private @Nullable String organisation;
    private @Nullable String email;
    private @Nullable String phone;
    private String searchText;

    @SuppressWarnings("NullAway.Init")
    protected Outsider() {}

    Outsider(OutsiderDetails details) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        change(details);
    }

    final void change(OutsiderDetails details) {
        this.name = details.name().strip();
        this.organisation = stripped(details.organisation());
        this.email = stripped(details.email());
        this.phone = stripped(details.phone());
        this.searchText = SearchText.plain(Stream.of(name, organisation, email, phone)
                .filter(Objects::nonNull)
                .collect(Collectors.joining(" ")));
    }

    private static @Nullable String stripped(@Nullable String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    public UUID id() {
        return id;
    }

    int version() {
        return version == null ? 0 : version;
    }

    public String name() {
        return name;
    }

    public @Nullable String organisation() {
        return organisation;
    }

    public @Nullable String email() {
        return email;
    }

    @Nullable
    String phone() {
        return phone;
    }
}
