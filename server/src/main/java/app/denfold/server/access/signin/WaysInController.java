package app.denfold.server.access.signin;

import app.denfold.server.access.house.HouseSignIn;
import jakarta.annotation.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** How one can sign in here, told before anybody has. */
@RestController
class WaysInController {

    private final HouseSignIn house;

    WaysInController(HouseSignIn house) {
        this.house = house;
    }

    /**
     * @param house what the directory of the house is called; null when there is none
     * @param houseAddress where a browser goes to sign in through it; null when there is none
     */
    record WaysIn(@Nullable String house, @Nullable String houseAddress) {}

    @GetMapping("/api/session/ways")
    WaysIn ways() {
        return new WaysIn(
                house.name().orElse(null),
                house.name().map(n -> HouseSignIn.BEGIN + "/" + HouseSignIn.ID).orElse(null));
    }
}
