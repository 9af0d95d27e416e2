package app.denfold.server.practice.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Sends the content security policy: nothing but the product's own files, and style elements only with a nonce. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class ContentPolicyFilter extends OncePerRequestFilter {

    static final String NONCE = ContentPolicyFilter.class.getName() + ".nonce";

    private final SecureRandom random = new SecureRandom();

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        byte[] bytes = new byte[18];
        random.nextBytes(bytes);
        String nonce = Base64.getEncoder().encodeToString(bytes);
        request.setAttribute(NONCE, nonce);
        response.setHeader(
                "Content-Security-Policy",
                "default-src 'none'; script-src 'self'; style-src 'self' 'nonce-" + nonce
                        + "'; img-src 'self' blob: data:; font-src 'self'; media-src 'self'; frame-src 'self'; connect-src 'self'; manifest-src 'self'; "
                        + "form-action 'self'; base-uri 'none'; frame-ancestors 'none'");
        chain.doFilter(request, response);
    }
}
