package app.denfold.server.catalog;

import app.denfold.core.filing.NamePattern;
import app.denfold.core.filing.TypeField;
import app.denfold.core.receiving.ReceivingRule;
import app.denfold.core.rules.DocumentType;
import app.denfold.exchange.RulesJson;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A document type as the practice set it up; its validity rule is kept in the open JSON. */
@Entity
@Table(name = "document_type")
public class KeptDocumentType {

    @Id
    private String code;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String label;
    private String section;

    @JdbcTypeCode(SqlTypes.JSON)
    private String validity;

    private String namingPattern;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<Signer> signers;

    private boolean needsReview;

    /** The account with which its papers wait for review; null for anyone. */
    private @Nullable UUID reviewer;

    private boolean sensitive;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<String> synonyms;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<TypeField> fields = List.of();

    @JdbcTypeCode(SqlTypes.JSON)
    private ReceivingRule receiving = ReceivingRule.NONE;

    @SuppressWarnings("NullAway.Init")
    protected KeptDocumentType() {}

    /** @throws app.denfold.exchange.BadInput when the validity rule cannot be read */
    public KeptDocumentType(
            String code,
            String label,
            String section,
            String validity,
            List<Signer> signers,
            boolean needsReview,
            boolean sensitive,
            List<String> synonyms) {
        RulesJson.validity(validity);
        this.code = code;
        this.label = label;
        this.section = section;
        this.validity = validity;
        this.namingPattern = "{type}, {document date}, {person}, {pending}";
        this.signers = List.copyOf(signers);
        this.needsReview = needsReview;
        this.sensitive = sensitive;
        this.synonyms = List.copyOf(synonyms);
    }

    /** Gives its documents names by this pattern. */
    public KeptDocumentType named(String pattern) {
        NamePattern.parse(pattern);
        this.namingPattern = pattern;
        return this;
    }

    /** Its papers carry values for these fields. */
    public KeptDocumentType with(List<TypeField> carried) {
        this.fields = List.copyOf(carried);
        return this;
    }

    /** Its papers wait for review with this account; null for anyone. */
    public KeptDocumentType reviewedBy(@Nullable UUID account) {
        this.reviewer = account;
        return this;
    }

    /** What is to be done about its papers once they are complete. */
    public KeptDocumentType then(ReceivingRule rule) {
        this.receiving = rule;
        return this;
    }

    public ReceivingRule receiving() {
        return receiving;
    }

    public @Nullable UUID reviewer() {
        return reviewer;
    }

    public List<TypeField> fields() {
        return fields;
    }

    /** Takes over all that can be changed of a type. */
    public void take(KeptDocumentType from) {
        this.label = from.label;
        this.section = from.section;
        this.validity = from.validity;
        this.namingPattern = from.namingPattern;
        this.signers = from.signers;
        this.needsReview = from.needsReview;
        this.reviewer = from.reviewer;
        this.sensitive = from.sensitive;
        this.synonyms = from.synonyms;
        this.fields = from.fields;
        this.receiving = from.receiving;
    }

    /** @throws app.denfold.exchange.BadInput when the validity rule cannot be read */
    public void holdBy(String rule) {
        RulesJson.validity(rule);
        this.validity = rule;
    }

    public int version() {
        return version == null ? 0 : version;
    }

    public String validity() {
        return validity;
    }

    public String namingPatternText() {
        return namingPattern;
    }

    public String code() {
        return code;
    }

    public String label() {
        return label;
    }

    public String section() {
        return section;
    }

    public List<Signer> signers() {
        return signers;
    }

    public boolean needsReview() {
        return needsReview;
    }

    public boolean isSensitive() {
        return sensitive;
    }

    public List<String> synonyms() {
        return synonyms;
    }

    public NamePattern namePattern() {
        return NamePattern.parse(namingPattern);
    }

    public DocumentType forRules() {
        return new DocumentType(code, RulesJson.validity(validity));
    }
}
