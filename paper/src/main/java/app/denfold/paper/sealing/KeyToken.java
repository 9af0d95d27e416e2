package app.denfold.paper.sealing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.InvalidParameterException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.KeyStore;
import java.security.Provider;
import java.security.ProviderException;
import java.security.Security;
import org.jspecify.annotations.Nullable;

/** Keys in a PKCS #11 token, such as a card or a hardware security module. They are made in it and never leave it. */
public final class KeyToken implements KeyVault {

    private static final String PROVIDER = "SunPKCS11";

    /** Keys can sign, can be asked for by nobody, and stay when the session ends. */
    private static final String ATTRIBUTES = """
            attributes(generate, CKO_PRIVATE_KEY, CKK_RSA) = {
              CKA_SIGN = true
              CKA_SENSITIVE = true
              CKA_EXTRACTABLE = false
              CKA_PRIVATE = true
            }
            """;

    private final String place;
    private final Provider provider;
    private final char[] pin;

    private KeyToken(String place, Provider provider, char[] pin) {
        this.place = place;
        this.provider = provider;
        this.pin = pin.clone();
    }

    /**
     * Finds a token.
     *
     * @param library of the token's maker: a shared library that speaks PKCS #11
     * @param slot in which it is; null for the first that has one
     * @throws IOException when there is none, in words for whoever runs the product
     */
    public static KeyToken find(Path library, @Nullable Long slot, char[] pin) throws IOException {
        String place = library + (slot == null ? "" : ", slot " + slot);
        if (!Files.isReadable(library)) {
            throw new IOException("The library of the token for sealing cannot be read: " + library);
        }
        String configuration = "--name = denfold-seal\nlibrary = " + library + "\n"
                + (slot == null ? "slotListIndex = 0\n" : "slot = " + slot + "\n") + ATTRIBUTES;
        try {
            Provider base = Security.getProvider(PROVIDER);
            if (base == null) {
                throw new IOException("This Java cannot use tokens: it lacks the module jdk.crypto.cryptoki");
            }
            Provider provider = base.configure(configuration);
            // last in the list: it is asked only for keys of its own, which no other provider can use
            Security.addProvider(provider);
            return new KeyToken(place, Security.getProvider(provider.getName()), pin);
        } catch (InvalidParameterException | UnsupportedOperationException | ProviderException none) {
            throw new IOException("There is no token for sealing at " + place, none);
        }
    }

    @Override
    public KeyStore open() throws IOException, GeneralSecurityException {
        KeyStore store = KeyStore.getInstance("PKCS11", provider);
        try {
            store.load(null, pin);
        } catch (IOException | ProviderException refused) {
            throw new IOException("The token for sealing at " + place + " refuses its PIN, or is not there", refused);
        }
        return store;
    }

    @Override
    public char @Nullable [] password() {
        return null;
    }

    @Override
    public KeyPair makePair() throws GeneralSecurityException {
        KeyPairGenerator generator = KeyPairGenerator.getInstance("RSA", provider);
        generator.initialize(SealKey.BITS);
        return generator.generateKeyPair();
    }

    /** Nothing to do: each key is kept when it is put in. */
    @Override
    public void keep(KeyStore store) {
        // kept already
    }
}
