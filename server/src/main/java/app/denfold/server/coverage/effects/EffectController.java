package app.denfold.server.coverage.effects;

import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.setup.SetUpRules;
import jakarta.validation.Valid;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class EffectController {

    private final RulesEffect effect;

    EffectController(RulesEffect effect) {
        this.effect = effect;
    }

    @PostMapping("/api/set-up/checklists/{code}/effect")
    RulesEffect.EffectAnswer ofChecklist(
            Viewer viewer, @PathVariable String code, @Valid @RequestBody SetUpRules.ChecklistDetails body) {
        return effect.ofChecklist(viewer, code, body);
    }

    @PostMapping("/api/set-up/document-types/{code}/effect")
    RulesEffect.EffectAnswer ofType(
            Viewer viewer, @PathVariable String code, @Valid @RequestBody SetUpRules.TypeDetails body) {
        return effect.ofType(viewer, code, body);
    }
}
