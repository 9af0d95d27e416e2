package app.denfold.server.content.links;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.UnknownHostException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A link leads the server nowhere but to the open Internet. */
class CheckLinkTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "127.0.0.1",
                "127.9.9.9",
                "0.0.0.0",
                "10.1.2.3",
                "172.16.0.1",
                "172.31.255.255",
                "192.168.1.1",
                "169.254.169.254",
                "100.64.0.1",
                "100.127.255.255",
                "192.0.0.8",
                "198.18.0.1",
                "224.0.0.1",
                "240.0.0.1",
                "255.255.255.255",
                "::1",
                "::",
                "fe80::1",
                "fc00::1",
                "fd12:3456::1",
                "ff02::1",
                "::ffff:10.0.0.1",
                "64:ff9b::a00:1",
                "2002:a00:1::1",
                "2001:db8::1"
            })
    void addressesOfThisMachineAndOfPrivateNetworksAreNotAsked(String address) throws UnknownHostException {
        assertThat(PublicAddress.is(InetAddress.getByName(address))).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"9.9.9.9", "100.63.255.255", "100.128.0.1", "172.15.255.255", "172.32.0.1", "2620:fe::fe"})
    void addressesOfTheInternetAre(String address) throws UnknownHostException {
        assertThat(PublicAddress.is(InetAddress.getByName(address))).isTrue();
    }

    @Test
    void thisMachinesOwnAddressesAreNotAskedWhateverTheyAre() throws Exception {
        NetworkInterface.networkInterfaces()
                .flatMap(NetworkInterface::inetAddresses)
                .forEach(own ->
                        assertThat(PublicAddress.is(own)).as(own.toString()).isFalse());
    }

    @ParameterizedTest
    @ValueSource(strings = {"http://127.0.0.1:9/", "https://localhost/", "http://[::1]/paper", "http://10.0.0.1/"})
    void suchLinksAreToldInWords(String address) {
        CheckLink.Reached reached = new CheckLink(false).reach(Link.to(address, null));
        assertThat(reached.reached()).isFalse();
        assertThat(reached.words()).contains("private network, which is not asked");
    }
}
