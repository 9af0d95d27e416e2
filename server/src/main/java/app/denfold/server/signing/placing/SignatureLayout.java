package app.denfold.server.signing.placing;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** Where signers sign on papers of a type with so many pages. */
@Entity
class SignatureLayout {

    @Id
    private UUID id;

    private String documentType;
    private int pages;

    @JdbcTypeCode(SqlTypes.JSON)
    private String fields;

    @SuppressWarnings("NullAway.Init")
    protected SignatureLayout() {}

    SignatureLayout(String documentType, int pages, String fields) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.documentType = documentType;
        this.pages = pages;
        this.fields = fields;
    }

    String fields() {
        return fields;
    }

    void keep(String json) {
        this.fields = json;
    }
}
