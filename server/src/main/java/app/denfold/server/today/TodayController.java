package app.denfold.server.today;

import app.denfold.server.access.Viewer;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class TodayController {

    private final TodayList list;
    private final WaitingCounts counts;

    TodayController(TodayList list, WaitingCounts counts) {
        this.list = list;
        this.counts = counts;
    }

    @GetMapping("/api/today")
    TodayList.TodayAnswer today(Viewer viewer) {
        return list.of(viewer);
    }

    @GetMapping("/api/waiting-counts")
    WaitingCounts.Counts waiting(Viewer viewer) {
        return counts.of(viewer);
    }
}
