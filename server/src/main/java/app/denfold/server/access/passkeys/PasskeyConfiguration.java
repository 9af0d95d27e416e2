package app.denfold.server.access.passkeys;

import java.net.URI;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.web.webauthn.api.AuthenticatorSelectionCriteria;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRpEntity;
import org.springframework.security.web.webauthn.api.ResidentKeyRequirement;
import org.springframework.security.web.webauthn.api.UserVerificationRequirement;
import org.springframework.security.web.webauthn.management.WebAuthnRelyingPartyOperations;
import org.springframework.security.web.webauthn.management.Webauthn4JRelyingPartyOperations;

/** Spring Security's passkeys, which hold for the installation's own address. */
@Configuration
class PasskeyConfiguration {

    /** The device itself makes sure that its holder is there, by a finger or a number: that is the second factor. */
    @Bean
    WebAuthnRelyingPartyOperations relyingParty(PasskeyStore store, @Value("${denfold.address}") String address) {
        PublicKeyCredentialRpEntity here = PublicKeyCredentialRpEntity.builder()
                .id(URI.create(address).getHost())
                .name("Den Fold")
                .build();
        Webauthn4JRelyingPartyOperations operations =
                new Webauthn4JRelyingPartyOperations(store.holders(), store.keys(), here, Set.of(origin(address)));
        operations.setCustomizeCreationOptions(
                options -> options.authenticatorSelection(AuthenticatorSelectionCriteria.builder()
                        .userVerification(UserVerificationRequirement.REQUIRED)
                        .residentKey(ResidentKeyRequirement.REQUIRED)
                        .build()));
        operations.setCustomizeRequestOptions(
                options -> options.userVerification(UserVerificationRequirement.REQUIRED));
        return operations;
    }

    private static String origin(String address) {
        URI uri = URI.create(address);
        return uri.getScheme() + "://" + uri.getAuthority();
    }
}
