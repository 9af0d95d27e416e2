package app.denfold.server.catalog;

import app.denfold.core.filing.Subject;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import org.jspecify.annotations.Nullable;

/** A part of a file. */
@Entity
public class Section {

    @Id
    private String code;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String label;
    private int ordinal;
    private boolean sensitive;

    @Enumerated(EnumType.STRING)
    private @Nullable Subject subject;

    @SuppressWarnings("NullAway.Init")
    protected Section() {}

    public Section(String code, String label, int ordinal) {
        this.code = code;
        this.label = label;
        this.ordinal = ordinal;
    }

    public void take(String newLabel, int place) {
        this.label = newLabel;
        this.ordinal = place;
    }

    public String code() {
        return code;
    }

    public String label() {
        return label;
    }

    /** Whether all its papers are for those only who may see sensitive ones. */
    public boolean sensitive() {
        return sensitive;
    }

    public void keepFromMany(boolean isSensitive) {
        this.sensitive = isSensitive;
    }

    /** What files are about that have this section; null for all files. */
    public @Nullable Subject subject() {
        return subject;
    }

    public void of(@Nullable Subject filesAbout) {
        this.subject = filesAbout;
    }

    public int ordinal() {
        return ordinal;
    }
}
