package app.denfold.server.access.house;

import app.denfold.server.access.AccessEvents.SignInRefused;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.oauth2.client.registration.ClientRegistration;
import org.springframework.security.oauth2.client.registration.ClientRegistrationRepository;
import org.springframework.security.oauth2.client.registration.ClientRegistrations;
import org.springframework.security.oauth2.client.registration.InMemoryClientRegistrationRepository;
import org.springframework.security.oauth2.client.registration.SupplierClientRegistrationRepository;
import org.springframework.security.oauth2.core.oidc.user.OidcUser;
import org.springframework.stereotype.Component;

/**
 * The house's directory, when it has one: OpenID Connect Core 1.0 with the code flow and PKCE. Who comes from there is the
 * account with the same mail address. A second factor is the directory's own business.
 */
@Component
public class HouseSignIn {

    /** Where a browser goes to be sent to the directory. */
    public static final String BEGIN = "/house/sign-in";

    /** Where the directory sends it back to. */
    public static final String BACK = "/house/back/*";

    /** The name by which the directory is registered. */
    public static final String ID = "directory";

    private final String issuer;
    private final String client;
    private final String secret;
    private final String name;
    private final Accounts accounts;
    private final ApplicationEventPublisher events;

    HouseSignIn(
            @Value("${denfold.house.issuer}") String issuer,
            @Value("${denfold.house.client}") String client,
            @Value("${denfold.house.secret}") String secret,
            @Value("${denfold.house.name}") String name,
            Accounts accounts,
            ApplicationEventPublisher events) {
        this.issuer = issuer;
        this.client = client;
        this.secret = secret;
        this.name = name;
        this.accounts = accounts;
        this.events = events;
    }

    /** What the directory is called; empty when there is none. */
    public Optional<String> name() {
        return issuer.isBlank() ? Optional.empty() : Optional.of(name);
    }

    /** The directory is asked for what it can when it is first needed: Den Fold starts without it. */
    public ClientRegistrationRepository registrations() {
        return new SupplierClientRegistrationRepository(() -> new InMemoryClientRegistrationRepository(registration()));
    }

    private ClientRegistration registration() {
        return ClientRegistrations.fromIssuerLocation(issuer)
                .registrationId(ID)
                .clientId(client)
                .clientSecret(secret)
                .redirectUri("{baseUrl}/house/back/{registrationId}")
                .scope("openid", "email", "profile")
                .build();
    }

    /** The account of somebody whom the directory knows; empty when it has none that is open. */
    public Optional<Viewer> holder(OidcUser user) {
        @Nullable String email = user.getEmail();
        if (email == null || Boolean.FALSE.equals(user.getEmailVerified())) {
            events.publishEvent(new SignInRefused(
                    String.valueOf(user.getSubject()), "the directory tells no mail address that is theirs"));
            return Optional.empty();
        }
        Optional<Viewer> holder = accounts.viewerByEmail(email).flatMap(v -> accounts.viewer(v.accountId()));
        if (holder.isEmpty()) {
            events.publishEvent(new SignInRefused(email, "the directory knows them, but there is no open account"));
        }
        return holder;
    }
}
