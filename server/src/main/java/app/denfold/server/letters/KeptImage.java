package app.denfold.server.letters;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

/** A picture that stands in models of letters, in PNG. */
@Entity
@Immutable
@Table(name = "letter_image")
public class KeptImage {

    @Id
    private UUID id;

    private String name;
    private String sha256;
    private int width;
    private int height;
    private String addedBy;
    private Instant addedAt;

    @SuppressWarnings("NullAway.Init")
    protected KeptImage() {}

    /** @param width and height in pixels */
    public KeptImage(String name, String sha256, int width, int height, String by, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.name = name;
        this.sha256 = sha256;
        this.width = width;
        this.height = height;
        this.addedBy = by;
        this.addedAt = now;
    }

    public UUID id() {
        return id;
    }

    /** Of the file, as it was sent. */
    public String name() {
        return name;
    }

    public String sha256() {
        return sha256;
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    public String addedBy() {
        return addedBy;
    }

    public Instant addedAt() {
        return addedAt;
    }
}
