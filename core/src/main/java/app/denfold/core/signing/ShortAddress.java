package app.denfold.core.signing;

/** A mail address as strangers may see it: recognised by whoever knows it, and of no use to others. */
public final class ShortAddress {

    private ShortAddress() {}

    /** The first letter and the domain, such as {@code t…@mail.example}; words without an at sign become one dot. */
    public static String of(String address) {
        int at = address.lastIndexOf('@');
        return at < 1 ? "…" : address.substring(0, address.offsetByCodePoints(0, 1)) + "…" + address.substring(at);
    }
}
