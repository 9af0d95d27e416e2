package app.denfold.server;

import com.jayway.jsonpath.PathNotFoundException;
import java.time.Duration;
import org.awaitility.Awaitility;
import org.awaitility.core.ConditionFactory;

/** How long a test waits for what happens by itself: so long that no busy machine makes it fail. */
public final class Patience {

    private Patience() {}

    /** Asks again and again, for minutes; an answer that comes goes on at once, one that lacks the value is asked again. */
    public static ConditionFactory await() {
        return Awaitility.await()
                // servers of other tests still work meanwhile, one of them without its database now and then
                .dontCatchUncaughtExceptions()
                .atMost(Duration.ofMinutes(4))
                .pollInterval(Duration.ofMillis(50))
                // what is waited for may not stand in the answer yet
                .ignoreExceptionsInstanceOf(PathNotFoundException.class);
    }
}
