package app.denfold.server.chasing.plans;

import app.denfold.core.notices.NoticeWords;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.Map;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** Words of notices, in each language they are written in. */
@Entity
@Table(name = "notice_words")
class KeptWords {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String name;

    /** By ISO 639-1. */
    @JdbcTypeCode(SqlTypes.JSON)
    private Map<String, NoticeWords> texts;

    @SuppressWarnings("NullAway.Init")
    protected KeptWords() {}

    KeptWords(String name, Map<String, NoticeWords> texts) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.name = name;
        this.texts = Map.copyOf(texts);
    }

    void change(String to, Map<String, NoticeWords> words) {
        this.name = to;
        this.texts = Map.copyOf(words);
    }

    UUID id() {
        return id;
    }

    int changes() {
        return version == null ? 0 : version;
    }

    String name() {
        return name;
    }

    Map<String, NoticeWords> texts() {
        return Map.copyOf(texts);
    }
}
