package app.denfold.server.portal.seeing;

import app.denfold.server.content.ZipContents;
import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** All that somebody outside is shown, in one ZIP. */
@Service
public class ZipShown {

    private final ZipContents zips;
    private final ShownPapers shown;

    ZipShown(ZipContents zips, ShownPapers shown) {
        this.zips = zips;
        this.shown = shown;
    }

    /** @param name without its ending, under which it stands there unless another has it already */
    public record Entry(UUID id, String name) {}

    /** Writes them as that account sees them. */
    public void write(UUID accountId, List<Entry> entries, OutputStream to) throws IOException {
        zips.write(entries.stream().map(e -> new ZipContents.Named(e.name, shown.bytes(accountId, e.id))), to);
    }
}
