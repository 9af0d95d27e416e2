package app.denfold.server.coverage;

import jakarta.persistence.Embeddable;
import java.io.Serializable;
import java.util.UUID;

/** Which requirement in which file. */
@Embeddable
public record SlotKey(UUID fileId, String checklist, String requirement) implements Serializable {}
