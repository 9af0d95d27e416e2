package app.denfold.server.documents;

import jakarta.persistence.Embeddable;
import java.time.LocalDate;

/** A signature that a document bears. */
@Embeddable
public record GivenSignature(String role, String signer, LocalDate signedOn) {}
