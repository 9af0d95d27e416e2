package app.denfold.server.verify;

import app.denfold.server.audit.CheckTrailJob;
import app.denfold.server.content.CheckAllContent;
import java.util.function.Consumer;
import org.springframework.stereotype.Service;

/** Stored papers against their hashes, the trail against its key and its check points. */
@Service
class VerifyEverything {

    private final CheckAllContent contents;
    private final CheckTrailJob trail;

    VerifyEverything(CheckAllContent contents, CheckTrailJob trail) {
        this.contents = contents;
        this.trail = trail;
    }

    /** @param line takes each line of the report @return whether everything is as it was written */
    public boolean run(Consumer<String> line) {
        CheckAllContent.Found stored =
                contents.run(() -> false, (sha256, words) -> line.accept("stored paper " + sha256 + ": " + words));
        CheckTrailJob.ChainCheck chain = trail.run();
        if (chain.brokenAt() != null) {
            line.accept("trail: row " + chain.brokenAt()
                    + " is not as it was written, or is missing. What comes after it cannot be trusted either.");
        }
        line.accept(stored.read() + " stored papers read, " + stored.wrong() + " damaged or missing; " + chain.rows()
                + " rows of the trail read, " + (chain.brokenAt() == null ? "all as written" : "broken"));
        return stored.wrong() == 0 && chain.brokenAt() == null;
    }
}
