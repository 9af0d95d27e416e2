package app.denfold.server;

import org.junit.jupiter.api.Test;
import org.springframework.modulith.core.ApplicationModules;

class ModularityTest {

    @Test
    void modulesUseEachOtherOneWayAndOnlyWhatIsExposed() {
        ApplicationModules.of(DenFold.class).verify();
    }
}
