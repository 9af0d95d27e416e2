package app.denfold.server.access.signin;

import app.denfold.server.access.keys.ProgramKeys;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Lets programs in by their keys, as RFC 6750 has it: {@code Authorization: Bearer …}. They have no session. */
class KeyFilter extends OncePerRequestFilter {

    private static final String BEARER = "Bearer ";

    private final ProgramKeys keys;

    KeyFilter(ProgramKeys keys) {
        this.keys = keys;
    }

    /** Whether a request comes with a key, be it one that holds or not. */
    static boolean isFromProgram(HttpServletRequest request) {
        return key(request) != null;
    }

    private static @Nullable String key(HttpServletRequest request) {
        String header = request.getHeader(HttpHeaders.AUTHORIZATION);
        return header != null && header.regionMatches(true, 0, BEARER, 0, BEARER.length())
                ? header.substring(BEARER.length()).strip()
                : null;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String key = key(request);
        if (key != null) {
            SecurityContext context = SecurityContextHolder.createEmptyContext();
            keys.enter(key, request.getMethod() + " " + request.getRequestURI())
                    .ifPresent(program -> context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                            program, null, AuthorityUtils.NO_AUTHORITIES)));
            SecurityContextHolder.setContext(context);
        }
        chain.doFilter(request, response);
    }
}
