package app.denfold.server.access.passkeys;

import app.denfold.server.access.AccessEvents.SecondFactorChanged;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.webauthn.api.AuthenticatorAssertionResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorAttestationResponse;
import org.springframework.security.web.webauthn.api.CredentialRecord;
import org.springframework.security.web.webauthn.api.PublicKeyCredential;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialCreationOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRequestOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.authentication.HttpSessionPublicKeyCredentialRequestOptionsRepository;
import org.springframework.security.web.webauthn.jackson.WebauthnJacksonModule;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialCreationOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialRequestOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutableRelyingPartyRegistrationRequest;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.RelyingPartyAuthenticationRequest;
import org.springframework.security.web.webauthn.management.RelyingPartyPublicKey;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;
import org.springframework.security.web.webauthn.management.WebAuthnRelyingPartyOperations;
import org.springframework.security.web.webauthn.registration.HttpSessionPublicKeyCredentialCreationOptionsRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Passkeys of accounts: made, listed, removed, and used to sign in. */
@Service
public class Passkeys {

    private static final Refusal UNKNOWN = Refusal.notSignedIn("This passkey is not known here. Use your password.");

    private final WebAuthnRelyingPartyOperations operations;
    private final PublicKeyCredentialUserEntityRepository holders;
    private final UserCredentialRepository keys;
    private final Accounts accounts;
    private final ApplicationEventPublisher events;
    private final HttpSessionPublicKeyCredentialCreationOptionsRepository toMake =
            new HttpSessionPublicKeyCredentialCreationOptionsRepository();
    private final HttpSessionPublicKeyCredentialRequestOptionsRepository toUse =
            new HttpSessionPublicKeyCredentialRequestOptionsRepository();
    private final JsonMapper json =
            JsonMapper.builder().addModule(new WebauthnJacksonModule()).build();

    Passkeys(
            WebAuthnRelyingPartyOperations operations,
            PasskeyStore store,
            Accounts accounts,
            ApplicationEventPublisher events) {
        this.operations = operations;
        this.holders = store.holders();
        this.keys = store.keys();
        this.accounts = accounts;
        this.events = events;
    }

    /** @param lastUsed null when it never was */
    public record PasskeyAnswer(
            String id, String label, Instant made, @Nullable Instant lastUsed) {}

    @Transactional(readOnly = true)
    List<PasskeyAnswer> of(Viewer viewer) {
        PublicKeyCredentialUserEntity holder = holders.findByUsername(viewer.email());
        return holder == null
                ? List.of()
                : keys.findByUserId(holder.getId()).stream()
                        .sorted(Comparator.comparing(CredentialRecord::getCreated))
                        .map(k -> new PasskeyAnswer(
                                k.getCredentialId().toBase64UrlString(),
                                k.getLabel(),
                                k.getCreated(),
                                k.getLastUsed().equals(k.getCreated()) ? null : k.getLastUsed()))
                        .toList();
    }

    /** What a browser needs to make one. */
    @Transactional
    JsonNode toMake(Viewer viewer, HttpServletRequest request, HttpServletResponse response) {
        PublicKeyCredentialCreationOptions options = operations.createPublicKeyCredentialCreationOptions(
                new ImmutablePublicKeyCredentialCreationOptionsRequest(authentication(viewer)));
        toMake.save(request, response, options);
        return json.valueToTree(options);
    }

    /** Keeps one that a browser made. @throws Refusal when it does not answer what was asked */
    @Transactional
    void keep(
            Viewer viewer,
            String label,
            JsonNode credential,
            HttpServletRequest request,
            HttpServletResponse response) {
        PublicKeyCredentialCreationOptions options = toMake.load(request);
        toMake.save(request, response, null);
        if (options == null) {
            throw Refusal.conflict("nothing-begun", "Begin anew, please.");
        }
        try {
            PublicKeyCredential<AuthenticatorAttestationResponse> made = json.treeToValue(
                    credential,
                    json.constructType(new TypeReference<PublicKeyCredential<AuthenticatorAttestationResponse>>() {}));
            operations.registerCredential(
                    new ImmutableRelyingPartyRegistrationRequest(options, new RelyingPartyPublicKey(made, label)));
        } catch (RuntimeException wrong) {
            throw Refusal.invalid("credential", "Your device did not make a passkey for this address. Try once more.");
        }
        events.publishEvent(new SecondFactorChanged(viewer.actor(), "made the passkey “" + label + "”"));
    }

    @Transactional
    void remove(Viewer viewer, String id) {
        PublicKeyCredentialUserEntity holder = holders.findByUsername(viewer.email());
        CredentialRecord key = holder == null
                ? null
                : keys.findByUserId(holder.getId()).stream()
                        .filter(k -> k.getCredentialId().toBase64UrlString().equals(id))
                        .findFirst()
                        .orElse(null);
        if (key == null) {
            throw Refusal.notFound("passkey");
        }
        keys.delete(key.getCredentialId());
        events.publishEvent(new SecondFactorChanged(viewer.actor(), "removed the passkey “" + key.getLabel() + "”"));
    }

    /** What a browser needs to ask its holder for a passkey; it is not asked whose. */
    public JsonNode toSignIn(HttpServletRequest request, HttpServletResponse response) {
        PublicKeyCredentialRequestOptions options =
                operations.createCredentialRequestOptions(new ImmutablePublicKeyCredentialRequestOptionsRequest(null));
        toUse.save(request, response, options);
        return json.valueToTree(options);
    }

    /** Whose passkey it is. @throws Refusal when it is nobody's, or does not answer what was asked */
    @Transactional
    public Viewer holder(JsonNode credential, HttpServletRequest request, HttpServletResponse response) {
        PublicKeyCredentialRequestOptions options = toUse.load(request);
        toUse.save(request, response, null);
        if (options == null) {
            throw UNKNOWN;
        }
        try {
            PublicKeyCredential<AuthenticatorAssertionResponse> shown = json.treeToValue(
                    credential,
                    json.constructType(new TypeReference<PublicKeyCredential<AuthenticatorAssertionResponse>>() {}));
            PublicKeyCredentialUserEntity holder =
                    operations.authenticate(new RelyingPartyAuthenticationRequest(options, shown));
            return accounts.viewerByEmail(holder.getName()).orElseThrow(() -> UNKNOWN);
        } catch (Refusal refused) {
            throw refused;
        } catch (RuntimeException wrong) {
            throw UNKNOWN;
        }
    }

    private static Authentication authentication(Viewer viewer) {
        return UsernamePasswordAuthenticationToken.authenticated(viewer.email(), null, List.of());
    }
}
