package app.denfold.paper.sealing;

import java.io.IOException;
import java.math.BigInteger;
import java.security.GeneralSecurityException;
import java.security.PrivateKey;
import java.security.SecureRandom;
import java.security.cert.X509Certificate;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import org.bouncycastle.asn1.ASN1ObjectIdentifier;
import org.bouncycastle.asn1.oiw.OIWObjectIdentifiers;
import org.bouncycastle.asn1.x509.AlgorithmIdentifier;
import org.bouncycastle.cert.jcajce.JcaCertStore;
import org.bouncycastle.cms.jcajce.JcaSimpleSignerInfoGeneratorBuilder;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.operator.jcajce.JcaDigestCalculatorProviderBuilder;
import org.bouncycastle.tsp.TSPAlgorithms;
import org.bouncycastle.tsp.TSPException;
import org.bouncycastle.tsp.TimeStampRequest;
import org.bouncycastle.tsp.TimeStampResponseGenerator;
import org.bouncycastle.tsp.TimeStampTokenGenerator;

/**
 * Stamps the time (RFC 3161) with a key of the practice's own. It stands in for an authority that others trust as well;
 * the address of a real one can be set.
 */
public final class StampAuthority {

    /** Best practices policy for time-stamps (ETSI EN 319 421). */
    private static final ASN1ObjectIdentifier POLICY = new ASN1ObjectIdentifier("0.4.0.2023.1.1");

    private final PrivateKey key;
    private final List<X509Certificate> chain;

    /** @param chain of the key, its own first; that one is for time-stamps alone (RFC 3161, 2.3) */
    public StampAuthority(PrivateKey key, List<X509Certificate> chain) {
        this.key = key;
        this.chain = List.copyOf(chain);
    }

    /**
     * @param request in DER (TimeStampReq)
     * @return in DER (TimeStampResp)
     * @throws IOException when it is no such request
     */
    public byte[] stamp(byte[] request, Instant now) throws IOException {
        try {
            TimeStampTokenGenerator tokens = new TimeStampTokenGenerator(
                    new JcaSimpleSignerInfoGeneratorBuilder().build("SHA256withRSA", key, chain.get(0)),
                    new JcaDigestCalculatorProviderBuilder()
                            .build()
                            .get(new AlgorithmIdentifier(OIWObjectIdentifiers.idSHA1)),
                    POLICY);
            tokens.addCertificates(new JcaCertStore(chain));
            TimeStampResponseGenerator answers = new TimeStampResponseGenerator(tokens, TSPAlgorithms.ALLOWED);
            BigInteger number = new BigInteger(127, new SecureRandom()).setBit(100);
            return answers.generate(new TimeStampRequest(request), number, Date.from(now))
                    .getEncoded();
        } catch (TSPException | OperatorCreationException | GeneralSecurityException failed) {
            throw new IOException("The time could not be stamped", failed);
        }
    }
}
