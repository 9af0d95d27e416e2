package app.denfold.server.access.signin;

import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.house.HouseSignIn;
import app.denfold.server.access.keys.ProgramKeys;
import app.denfold.server.access.rights.RightsCheck;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.authorization.AuthorizationDeniedException;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.NullSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.web.servlet.HandlerExceptionResolver;

/** How one is known, and that the table of rights is held to; what a person sees is decided by each module's service. */
@Configuration
class SecurityConfiguration {

    /** Argon2id as the OWASP Password Storage Cheat Sheet has it: 19 MiB, two rounds, one lane. */
    private static final int KIBIBYTES = 19 * 1024;

    private static final int ROUNDS = 2;
    private static final int LANES = 1;
    private static final int SALT_BYTES = 16;
    private static final int HASH_BYTES = 32;

    @Bean
    PasswordEncoder passwordEncoder() {
        return new Argon2PasswordEncoder(SALT_BYTES, HASH_BYTES, LANES, KIBIBYTES, ROUNDS);
    }

    /** Signing in goes through {@link Accounts}; this keeps the framework from inventing a user of its own. */
    @Bean
    UserDetailsService noFrameworkUsers() {
        return name -> {
            throw new UsernameNotFoundException(name);
        };
    }

    @Bean
    SecurityFilterChain chain(
            HttpSecurity http,
            RightsCheck rights,
            ProgramKeys keys,
            PracticeSettings settings,
            HouseSignIn house,
            HouseHandlers fromHouse,
            @Value("${denfold.address}") String address,
            @Qualifier("handlerExceptionResolver") HandlerExceptionResolver problems)
            throws Exception {
        boolean tls = address.startsWith("https:");
        CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        if (tls) {
            tokens.setCookieCustomizer(cookie -> cookie.secure(true));
        }
        if (house.name().isPresent()) {
            http.oauth2Login(login -> login.loginPage("/")
                    .clientRegistrationRepository(house.registrations())
                    .authorizationEndpoint(begin -> begin.baseUri(HouseSignIn.BEGIN))
                    .redirectionEndpoint(back -> back.baseUri(HouseSignIn.BACK))
                    // the session is begun for the account, not for whom the directory knows
                    .securityContextRepository(new NullSecurityContextRepository())
                    .successHandler(fromHouse)
                    .failureHandler(fromHouse));
        }
        return http.csrf(csrf -> csrf.spa()
                        .csrfTokenRepository(tokens)
                        .ignoringRequestMatchers(KeyFilter::isFromProgram)
                        // asked for by mail programs (RFC 8058); the secret in the address says who may
                        .ignoringRequestMatchers("/api/told/*/unsubscribe"))
                .addFilterBefore(new KeyFilter(keys), CsrfFilter.class)
                .addFilterBefore(new SessionLimitFilter(settings), SecurityContextHolderFilter.class)
                .authorizeHttpRequests(requests -> requests.requestMatchers("/api/**")
                        .access(rights)
                        .requestMatchers("/actuator/health", "/actuator/health/**")
                        .permitAll()
                        .requestMatchers("/actuator/**")
                        .denyAll()
                        .requestMatchers(HttpMethod.GET, "/**")
                        .permitAll()
                        .anyRequest()
                        .denyAll())
                .exceptionHandling(
                        e -> e.authenticationEntryPoint((request, response, why) -> problems.resolveException(
                                        request, response, null, Refusal.notSignedIn("Sign in first.")))
                                .accessDeniedHandler((request, response, why) -> problems.resolveException(
                                        request, response, null, Refusal.forbidden(words(why)))))
                .headers(headers -> headers.referrerPolicy(referrer -> {})
                        .contentTypeOptions(options -> {})
                        .frameOptions(frame -> frame.deny())
                        .httpStrictTransportSecurity(hsts -> hsts.requestMatcher(request -> tls || request.isSecure())))
                .requestCache(cache -> cache.disable())
                .logout(logout -> logout.disable())
                .build();
    }

    private static String words(AccessDeniedException why) {
        return why instanceof CsrfException
                ? "This page has been open for too long. Load it again, then try once more."
                : why instanceof AuthorizationDeniedException denied
                                && denied.getAuthorizationResult() instanceof RightsCheck.Refused refused
                        ? refused.words()
                        : "Your account may not do this.";
    }
}
