package app.denfold.server.letters;

import app.denfold.paper.forms.FormBox;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A PDF, as it came: a form of others to fill in, or what is attached to letters. */
@Entity
@Immutable
@Table(name = "letter_form")
public class KeptForm {

    @Id
    private UUID id;

    private String name;
    private String sha256;
    private int pages;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<FormBox> fields = List.of();

    private String addedBy;
    private Instant addedAt;

    @SuppressWarnings("NullAway.Init")
    protected KeptForm() {}

    public KeptForm(String name, String sha256, int pages, List<FormBox> fields, String by, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.name = name;
        this.sha256 = sha256;
        this.pages = pages;
        this.fields = fields;
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

    public int pages() {
        return pages;
    }

    /** Those of its fields that can be filled in; none of a flat one. */
    public List<FormBox> fields() {
        return fields;
    }

    public String addedBy() {
        return addedBy;
    }

    public Instant addedAt() {
        return addedAt;
    }
}
