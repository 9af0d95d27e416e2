package app.denfold.server.settings;

import app.denfold.server.access.Viewer;
import app.denfold.server.practice.DayOrder;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Set-up of the practice itself. */
@RestController
class SetUpPracticeController {

    private final SetUpPractice setUp;

    SetUpPracticeController(SetUpPractice setUp) {
        this.setUp = setUp;
    }

    /** @param weekStart by ISO 8601: 1 for Monday, 7 for Sunday */
    record DaysRequest(@NotNull String zone, @NotNull DayOrder dayOrder, int weekStart) {}

    @PutMapping("/api/set-up/practice/days")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void days(Viewer viewer, @Valid @RequestBody DaysRequest body) {
        setUp.keepDays(viewer, body.zone(), body.dayOrder(), body.weekStart());
    }
}
