package app.denfold.server.content.links;

import java.net.Inet4Address;
import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.List;

/**
 * Tells addresses of the open Internet from all others: this machine's own, private and shared networks, and those kept for
 * special purposes (IANA's special-purpose address registries, RFC 6890).
 */
final class PublicAddress {

    /** A range of addresses: those whose first bits are the same. */
    private record Range(byte[] first, int bits) {

        static Range of(String text) {
            String[] parts = text.split("/");
            try {
                return new Range(InetAddress.getByName(parts[0]).getAddress(), Integer.parseInt(parts[1]));
            } catch (UnknownHostException impossible) {
                throw new IllegalArgumentException(text, impossible);
            }
        }

        boolean holds(byte[] address) {
            if (address.length != first.length) {
                return false;
            }
            for (int bit = 0; bit < bits; bit++) {
                int mask = 0x80 >> (bit % 8);
                if ((address[bit / 8] & mask) != (first[bit / 8] & mask)) {
                    return false;
                }
            }
            return true;
        }
    }

    private static final List<Range> SPECIAL = List.of(
                    "0.0.0.0/8",
                    "10.0.0.0/8",
                    "100.64.0.0/10",
                    "127.0.0.0/8",
                    "169.254.0.0/16",
                    "172.16.0.0/12",
                    "192.0.0.0/24",
                    "192.0.2.0/24",
                    "192.88.99.0/24",
                    "192.168.0.0/16",
                    "198.18.0.0/15",
                    "198.51.100.0/24",
                    "203.0.113.0/24",
                    "224.0.0.0/4",
                    "240.0.0.0/4",
                    "::/96",
                    "64:ff9b::/96",
                    "64:ff9b:1::/48",
                    "100::/64",
                    "2001::/23",
                    "2001:db8::/32",
                    "2002::/16",
                    "fc00::/7",
                    "fe80::/10",
                    "fec0::/10",
                    "ff00::/8")
            .stream()
            .map(Range::of)
            .toList();

    private PublicAddress() {}

    static boolean is(InetAddress address) {
        return (address instanceof Inet4Address || address instanceof Inet6Address)
                && SPECIAL.stream().noneMatch(range -> range.holds(address.getAddress()))
                && !isOwn(address);
    }

    private static boolean isOwn(InetAddress address) {
        try {
            return NetworkInterface.networkInterfaces()
                    .flatMap(NetworkInterface::inetAddresses)
                    .anyMatch(own -> Arrays.equals(own.getAddress(), address.getAddress()));
        } catch (SocketException unknown) {
            return true;
        }
    }
}
