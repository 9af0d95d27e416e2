package app.denfold.server.letters;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import tools.jackson.databind.json.JsonMapper;

/** A model as it is written in a language, from a day on. It never changes, so that each letter can say what it was written by. */
@Entity
@Immutable
@Table(name = "letter_model_version")
public class ModelVersion {

    private static final JsonMapper MAPPER = new JsonMapper();

    @Id
    private UUID id;

    private UUID modelId;
    private int number;
    private String language;
    private LocalDate holdsFrom;

    @JdbcTypeCode(SqlTypes.JSON)
    private String words;

    private String madeBy;
    private Instant madeAt;

    @SuppressWarnings("NullAway.Init")
    protected ModelVersion() {}

    public ModelVersion(
            UUID modelId, int number, String language, LocalDate holdsFrom, ModelWords words, String by, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.modelId = modelId;
        this.number = number;
        this.language = language;
        this.holdsFrom = holdsFrom;
        this.words = MAPPER.writeValueAsString(words);
        this.madeBy = by;
        this.madeAt = now;
    }

    public UUID id() {
        return id;
    }

    public UUID modelId() {
        return modelId;
    }

    /** From 1, over all languages of the model. */
    public int number() {
        return number;
    }

    /** An IETF tag, such as {@code de-AT}. */
    public String language() {
        return language;
    }

    /** The first day on which letters take effect that are written by it. */
    public LocalDate holdsFrom() {
        return holdsFrom;
    }

    public ModelWords words() {
        return MAPPER.readValue(words, ModelWords.class);
    }

    public String madeBy() {
        return madeBy;
    }

    public Instant madeAt() {
        return madeAt;
    }
}
