package app.denfold.paper.sealing;

import java.io.IOException;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyStore;
import java.security.PrivateKey;
import java.security.cert.Certificate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Where the keys of a practice's seals are kept. */
public sealed interface KeyVault permits KeyFile, KeyToken {

    /** Opens what is there; empty when nothing was kept yet. @throws IOException when it cannot be opened, in words for whoever runs the product */
    KeyStore open() throws IOException, GeneralSecurityException;

    /** Protects each key; null where the whole vault is opened by its own PIN. */
    char @Nullable [] password();

    /** A new RSA 3072 pair, made where it will be kept. */
    KeyPair makePair() throws IOException, GeneralSecurityException;

    /** Keeps what was put in. */
    void keep(KeyStore store) throws IOException, GeneralSecurityException;

    default PrivateKey key(KeyStore store, String alias) throws GeneralSecurityException {
        return (PrivateKey) store.getKey(alias, password());
    }

    default void put(KeyStore store, String alias, PrivateKey key, List<? extends Certificate> chain)
            throws GeneralSecurityException {
        store.setKeyEntry(alias, key, password(), chain.toArray(Certificate[]::new));
    }
}
