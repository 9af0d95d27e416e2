package app.denfold.server.chasing.plans;

import app.denfold.core.notices.NoticeWords;
import app.denfold.server.access.Viewer;
import app.denfold.server.chasing.plans.Plans.PlanAnswer;
import app.denfold.server.chasing.plans.SendingDays.SendingAnswer;
import app.denfold.server.chasing.plans.WordsOfNotices.WordsOfNoticeAnswer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PlansController {

    private final Plans plans;
    private final WordsOfNotices words;
    private final PlacesOfNotices places;
    private final SendingDays days;

    PlansController(Plans plans, WordsOfNotices words, PlacesOfNotices places, SendingDays days) {
        this.plans = plans;
        this.words = words;
        this.places = places;
        this.days = days;
    }

    record PlanChange(int changes, @NotNull @Valid PlanDetails plan) {}

    record MadePlan(UUID id) {}

    /** @param changes of them as they were looked at; of new ones any */
    record WordsChange(
            int changes, @NotNull String name, @NotNull Map<String, NoticeWords> texts) {}

    record SendingChange(int changes, @NotNull @Valid SendingDetails rules) {}

    @GetMapping("/api/notice-plans")
    List<PlanAnswer> plans(Viewer viewer) {
        return plans.all(viewer);
    }

    @PostMapping("/api/notice-plans")
    @ResponseStatus(HttpStatus.CREATED)
    MadePlan add(Viewer viewer, @Valid @RequestBody PlanDetails body) {
        return new MadePlan(plans.add(viewer, body));
    }

    @PutMapping("/api/notice-plans/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody PlanChange body) {
        plans.change(viewer, id, body.changes(), body.plan());
    }

    @DeleteMapping("/api/notice-plans/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Viewer viewer, @PathVariable UUID id) {
        plans.remove(viewer, id);
    }

    @GetMapping("/api/notice-words")
    List<WordsOfNoticeAnswer> words() {
        return words.all();
    }

    @GetMapping("/api/notice-words/places")
    List<String> places() {
        return places.names();
    }

    @PostMapping("/api/notice-words")
    @ResponseStatus(HttpStatus.CREATED)
    MadePlan addWords(Viewer viewer, @Valid @RequestBody WordsChange body) {
        return new MadePlan(words.add(viewer, body.name(), body.texts()));
    }

    @PutMapping("/api/notice-words/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changeWords(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody WordsChange body) {
        words.change(viewer, id, body.changes(), body.name(), body.texts());
    }

    @DeleteMapping("/api/notice-words/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeWords(Viewer viewer, @PathVariable UUID id) {
        words.remove(viewer, id);
    }

    @GetMapping("/api/sending-rules")
    SendingAnswer rules() {
        return days.answer();
    }

    @PutMapping("/api/sending-rules")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changeRules(Viewer viewer, @Valid @RequestBody SendingChange body) {
        days.change(viewer, body.changes(), body.rules());
    }
}
