package app.denfold.server.practice.web;

import app.denfold.server.problems.Refusal;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Whoever looks at another day says so with each request, and then nothing can be changed. */
@Configuration
class PastIsReadOnly implements WebMvcConfigurer, HandlerInterceptor {

    static final String HEADER = "X-As-Of";

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**").excludePathPatterns("/api/session");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (request.getHeader(HEADER) != null && !HttpMethod.GET.matches(request.getMethod())) {
            throw Refusal.conflict(
                    "in-the-past", "You are looking at another day. Go back to today to change anything.");
        }
        return true;
    }
}
