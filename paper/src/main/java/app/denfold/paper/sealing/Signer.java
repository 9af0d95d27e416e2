package app.denfold.paper.sealing;

import java.io.IOException;

/** Signs with a key that it alone holds. */
@FunctionalInterface
public interface Signer {

    /** @return the signature over the SHA-256 of the bytes, by RSA with PKCS #1 v1.5 padding */
    byte[] sign(byte[] bytes) throws IOException;
}
