package app.denfold.server.practice;

/** How well words on a colour can be read: contrast ratios as WCAG 2.2 defines them. */
final class Contrast {

    private Contrast() {}

    /** The ratio of white to a colour, from 1 to 21. @param colour as {@code #rrggbb} */
    static double ofWhiteOn(String colour) {
        return 1.05 / (luminance(colour) + 0.05);
    }

    private static double luminance(String colour) {
        int rgb = Integer.parseInt(colour.substring(1), 16);
        return 0.2126 * linear(rgb >> 16) + 0.7152 * linear(rgb >> 8 & 0xff) + 0.0722 * linear(rgb & 0xff);
    }

    private static double linear(int channel) {
        double part = channel / 255.0;
        return part <= 0.04045 ? part / 12.92 : Math.pow((part + 0.055) / 1.055, 2.4);
    }
}
