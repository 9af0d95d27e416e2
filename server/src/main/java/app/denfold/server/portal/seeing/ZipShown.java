package app.denfold.server.portal.seeing;

import app.denfold.server.content.ZipContents;
import app.denfold.server.documents.GivenOut;
import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** All that somebody outside is shown, in one ZIP. */
@Service
public class ZipShown {

    private final ZipContents zips;
    private final GivenOut given;

    ZipShown(ZipContents zips, GivenOut given) {
        this.zips = zips;
        this.given = given;
    }

    /** @param name without its ending, under which it stands there unless another has it already */
    public record Entry(UUID id, String name) {}

    /** Writes them as they are given out. */
    public void write(List<Entry> entries, OutputStream to) throws IOException {
        zips.write(entries.stream().map(e -> new ZipContents.Named(e.name, given.closedNewest(e.id))), to);
    }
}
