package app.denfold.server.problems;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Around everything else: answers what fails before or behind the controllers in words, such as a session that cannot be
 * looked up while the database is away, and requests that no text can be made of.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class LastResort extends OncePerRequestFilter {

    private static final Logger LOG = LoggerFactory.getLogger(LastResort.class);
    private static final char NUL = 0;

    private final JsonMapper mapper;

    LastResort(JsonMapper mapper) {
        this.mapper = mapper;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getRequestURI().equals("/error")) {
            answer(response, HttpStatus.NOT_FOUND, "not-found", "There is no such page.");
            return;
        }
        if (holdsNul(request)) {
            answer(response, HttpStatus.BAD_REQUEST, "unreadable", Texts.NUL_WORDS);
            return;
        }
        try {
            chain.doFilter(request, response);
        } catch (IOException | ServletException | RuntimeException failed) {
            if (response.isCommitted()) {
                throw failed;
            }
            response.resetBuffer();
            if (DatabaseAway.is(failed)) {
                LOG.warn("The database cannot be asked: {}", failed.getMessage());
                answer(response, HttpStatus.SERVICE_UNAVAILABLE, "database-away", ProblemAnswers.AWAY_WORDS);
            } else {
                LOG.error("A request failed: {} {}", request.getMethod(), request.getRequestURI(), failed);
                answer(response, HttpStatus.INTERNAL_SERVER_ERROR, "failed", ProblemAnswers.FAILED_WORDS);
            }
        }
    }

    private static boolean holdsNul(HttpServletRequest request) {
        if (request.getRequestURI().contains("%00")) {
            return true;
        }
        String query = request.getQueryString();
        return query != null && (query.contains("%00") || query.indexOf(NUL) >= 0);
    }

    private void answer(HttpServletResponse response, HttpStatus status, String code, String words) throws IOException {
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding("UTF-8");
        mapper.writeValue(
                response.getOutputStream(),
                Map.of("status", status.value(), "code", code, "detail", words, "problems", List.of()));
    }
}
