package app.denfold.server.today;

import app.denfold.server.access.Viewer;
import app.denfold.server.keeping.Keeping;
import app.denfold.server.today.TodayList.TodayItem;
import java.util.List;
import org.springframework.stereotype.Component;

/** Tells administrators that files may leave, for they decide about them. */
@Component
class KeepingItems {

    private final Keeping keeping;

    KeepingItems(Keeping keeping) {
        this.keeping = keeping;
    }

    List<TodayItem> of(Viewer viewer) {
        int due = keeping.dueCount(viewer);
        if (due == 0) {
            return List.of();
        }
        String title = due == 1
                ? "1 file has been kept for as long as the rules ask"
                : due + " files have been kept for as long as the rules ask";
        return List.of(new TodayItem("keeping", title, null, null, List.of(), null));
    }
}
