package app.denfold.server.today;

import app.denfold.server.access.Viewer;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class TodayController {

    private final TodayList list;

    TodayController(TodayList list) {
        this.list = list;
    }

    @GetMapping("/api/today")
    TodayList.TodayAnswer today(Viewer viewer) {
        return list.of(viewer);
    }
}
