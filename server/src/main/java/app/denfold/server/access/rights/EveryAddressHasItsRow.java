package app.denfold.server.access.rights;

import java.util.List;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Lets no server start that answers at an address of which {@link RightsTable} does not say whose it is. */
@Component
class EveryAddressHasItsRow implements SmartInitializingSingleton {

    private final RequestMappingHandlerMapping mappings;

    EveryAddressHasItsRow(@Lazy @Qualifier("requestMappingHandlerMapping") RequestMappingHandlerMapping mappings) {
        this.mappings = mappings;
    }

    @Override
    public void afterSingletonsInstantiated() {
        List<String> missing = mappings.getHandlerMethods().keySet().stream()
                .flatMap(info -> info.getPatternValues().stream()
                        .filter(pattern -> pattern.startsWith("/api/"))
                        .flatMap(pattern -> unlisted(info, pattern).stream()))
                .sorted()
                .toList();
        if (!missing.isEmpty()) {
            throw new IllegalStateException("Nobody said who may use " + String.join(", ", missing)
                    + "; give each a line in the table of rights.");
        }
    }

    private static List<String> unlisted(RequestMappingInfo info, String pattern) {
        return info.getMethodsCondition().getMethods().stream()
                .filter(method -> !RightsTable.lists(method.name(), pattern))
                .map(method -> method + " " + pattern)
                .toList();
    }
}
