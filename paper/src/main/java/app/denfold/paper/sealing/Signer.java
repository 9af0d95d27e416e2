package app.denfold.paper.sealing;

import java.io.IOException;

/** Signs with a key that it alone holds, and has stamped with the time what was signed. */
public interface Signer {

    /** @return the signature over the SHA-256 of the bytes, by RSA with PKCS #1 v1.5 padding */
    byte[] sign(byte[] bytes) throws IOException;

    /**
     * Has the time stamped on something.
     *
     * @param request in DER (RFC 3161, TimeStampReq)
     * @return the answer of the authority in DER (TimeStampResp)
     * @throws IOException when the authority cannot be reached
     */
    byte[] stamp(byte[] request) throws IOException;
}
