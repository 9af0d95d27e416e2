package app.denfold.server.access.preferences;

import app.denfold.server.access.Viewer;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/preferences")
class PreferencesController {

    private final Preferences preferences;

    PreferencesController(Preferences preferences) {
        this.preferences = preferences;
    }

    @GetMapping
    Map<String, Object> all(Viewer viewer) {
        return Map.copyOf(preferences.of(viewer));
    }

    @PutMapping("/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(Viewer viewer, @PathVariable String name, @RequestBody Object value) {
        preferences.set(viewer, name, new tools.jackson.databind.json.JsonMapper().valueToTree(value));
    }
}
