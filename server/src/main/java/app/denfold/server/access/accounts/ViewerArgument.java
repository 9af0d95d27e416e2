package app.denfold.server.access.accounts;

import app.denfold.server.access.SignedInAccount;
import app.denfold.server.access.Viewer;
import app.denfold.server.problems.Refusal;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Lazy;
import org.springframework.core.MethodParameter;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Gives controllers the account behind the request, read afresh with every request so that a closed account is out at once. */
@Configuration
class ViewerArgument implements WebMvcConfigurer, HandlerMethodArgumentResolver {

    private final Accounts accounts;

    ViewerArgument(@Lazy Accounts accounts) {
        this.accounts = accounts;
        org.springdoc.core.utils.SpringDocUtils.getConfig().addRequestWrapperToIgnore(Viewer.class);
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(this);
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == Viewer.class;
    }

    @Override
    public Viewer resolveArgument(
            MethodParameter parameter,
            @Nullable ModelAndViewContainer mav,
            NativeWebRequest request,
            @Nullable WebDataBinderFactory binder) {
        Optional<Viewer> known =
                Viewer.behindOf(Objects.requireNonNull(request.getNativeRequest(HttpServletRequest.class)));
        if (known.isPresent()) {
            return known.get();
        }
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        if (authentication == null || !(authentication.getPrincipal() instanceof SignedInAccount account)) {
            throw Refusal.notSignedIn("Sign in first.");
        }
        return accounts.viewer(account.id())
                .orElseThrow(() -> Refusal.notSignedIn("This account is closed. Ask an administrator."));
    }
}
