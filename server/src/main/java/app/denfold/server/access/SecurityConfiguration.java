package app.denfold.server.access;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;

/** Which addresses whom; what a person sees within them is decided by each module's service. */
@Configuration
class SecurityConfiguration {

    @Bean
    PasswordEncoder passwordEncoder() {
        return Argon2PasswordEncoder.defaultsForSpringSecurity_v5_8();
    }

    /** Signing in goes through {@link Accounts}; this keeps the framework from inventing a user of its own. */
    @Bean
    UserDetailsService noFrameworkUsers() {
        return name -> {
            throw new UsernameNotFoundException(name);
        };
    }

    @Bean
    SecurityFilterChain chain(HttpSecurity http) throws Exception {
        String[] staff = {Role.ADMINISTRATOR.name(), Role.COLLEAGUE.name()};
        return http.csrf(csrf -> csrf.spa())
                .authorizeHttpRequests(requests -> requests.requestMatchers("/api/session", "/api/practice")
                        .permitAll()
                        .requestMatchers("/api/invitations/*")
                        .permitAll()
                        .requestMatchers("/api/portal", "/api/portal/**")
                        .hasRole(Role.GUEST.name())
                        .requestMatchers("/api/**")
                        .hasAnyRole(staff)
                        .requestMatchers("/actuator/health", "/actuator/health/**")
                        .permitAll()
                        .requestMatchers("/actuator/**")
                        .denyAll()
                        .requestMatchers(HttpMethod.GET, "/**")
                        .permitAll()
                        .anyRequest()
                        .denyAll())
                .exceptionHandling(e -> e.authenticationEntryPoint(
                                (request, response, why) -> problem(response, 401, "sign-in", "Sign in first."))
                        .accessDeniedHandler((request, response, why) ->
                                problem(response, 403, "forbidden", "Your account may not do this.")))
                .headers(headers -> headers.referrerPolicy(referrer -> {})
                        .contentTypeOptions(options -> {})
                        .frameOptions(frame -> frame.deny()))
                .requestCache(cache -> cache.disable())
                .logout(logout -> logout.disable())
                .build();
    }

    private static void problem(HttpServletResponse response, int status, String code, String words)
            throws IOException {
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.getWriter()
                .write("{\"status\":" + status + ",\"code\":\"" + code + "\",\"detail\":\"" + words
                        + "\",\"problems\":[]}");
    }
}
