package app.denfold.server.arrivals.desks;

import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.sets.SetUpPart;
import app.denfold.server.problems.Refusal;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The pickups as part of the whole set-up; folders that are not there are made. */
@Component
class DesksInSetUp implements SetUpPart {

    private final PickupDesks desks;
    private final JsonMapper mapper = new JsonMapper();

    DesksInSetUp(PickupDesks desks) {
        this.desks = desks;
    }

    @Override
    public String name() {
        return "pickups";
    }

    @Override
    public JsonNode out() {
        return mapper.valueToTree(desks.details());
    }

    @Override
    public void in(Viewer viewer, JsonNode part) {
        if (!part.isArray()) {
            throw Refusal.invalid("pickups", "The pickups are a list.");
        }
        part.forEach(desk -> desks.set(viewer, mapper.treeToValue(desk, PickupDesks.DeskDetails.class)));
    }
}
