package app.denfold.server.merging;

import app.denfold.server.access.Viewer;
import java.util.List;
import java.util.UUID;

/** Something that lies in files and goes along when two of them are merged. Every module that has such brings one. */
public interface FollowsMerge {

    /** Never changes; what moved is remembered by it. */
    String name();

    /** So many of it, in words; empty when people need not be told. */
    default String words(int count) {
        return "";
    }

    /** How much of it lies in the file; 0 when people need not be told. */
    default int count(UUID file) {
        return 0;
    }

    /** Moves it. @return what is needed to move the same back */
    List<String> follow(UUID gone, UUID kept);

    /** Moves back what was moved, as far as it still lies where it was moved to. */
    void goBack(UUID gone, UUID kept, List<String> moved);

    /** What keeps the files from being merged or parted now, in sentences. */
    default List<String> hindrances(Viewer by, UUID gone, UUID kept) {
        return List.of();
    }
}
