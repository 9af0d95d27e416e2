package app.denfold.server.documents;

import app.denfold.server.access.Viewer;
import java.util.Collection;
import java.util.Map;
import java.util.UUID;

/** Says which bytes somebody gets who is given a paper: those of the version, or of a copy in which something is covered. */
public interface GivenOut {

    /**
     * @param number of the version, from 1
     * @return a hash; of the version itself where nothing on it is covered
     * @throws app.denfold.server.problems.Refusal when there is no such version, or no copy of it can be made
     */
    String closed(UUID documentId, int number);

    /** The same of the newest version. */
    String closedNewest(UUID documentId);

    /** The same of the newest versions of many papers, by paper: only those on which something is covered are asked for singly. */
    Map<UUID, String> closedNewest(Collection<FiledDocument> papers);

    /** The same with open covers, which this viewer gives out knowingly. @throws app.denfold.server.problems.Refusal without the right */
    String open(Viewer by, UUID documentId, int number);
}
