package app.denfold.paper.codes;

import app.denfold.paper.drawing.BusyParts;
import com.google.zxing.BarcodeFormat;
import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.LuminanceSource;
import com.google.zxing.MultiFormatReader;
import com.google.zxing.NotFoundException;
import com.google.zxing.Result;
import com.google.zxing.client.j2se.BufferedImageLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.multi.GenericMultipleBarcodeReader;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;

/** Finds QR, Data Matrix, PDF417, Code 128 and Code 39 codes anywhere on a page, also turned ones. */
public final class PageCodes {

    private static final List<BarcodeFormat> FORMATS = List.of(
            BarcodeFormat.QR_CODE,
            BarcodeFormat.DATA_MATRIX,
            BarcodeFormat.PDF_417,
            BarcodeFormat.CODE_128,
            BarcodeFormat.CODE_39);

    /** @param kind such as {@code qr-code} or {@code code-128} @param value what it says */
    public record Code(String kind, String value) {}

    private PageCodes() {}

    /** @param grey the page at about 150 dots an inch or more, one byte a pixel */
    public static List<Code> on(BufferedImage grey) {
        Set<Code> found = new LinkedHashSet<>();
        for (BufferedImage part : BusyParts.of(grey)) {
            readFirst(part, found);
        }
        if (found.isEmpty()) {
            // what is no busy part of its own is large, and still clear when it is smaller
            read(new BufferedImageLuminanceSource(smaller(grey)), false, found);
        }
        return new ArrayList<>(found);
    }

    /**
     * Tries a part of the page as it is and in other views, until one can be read: line codes are read along straight
     * rows of pixels, specks vanish when the picture is made smaller, and some angles suit a reader better than others.
     */
    private static void readFirst(BufferedImage part, Set<Code> found) {
        List<Supplier<BufferedImage>> views = List.of(
                () -> part,
                () -> smaller(part),
                () -> turned(part, 45),
                () -> turned(part, 135),
                () -> turned(part, 20),
                () -> turned(smaller(part), 65),
                () -> turned(smaller(part), 43));
        for (Supplier<BufferedImage> view : views) {
            if (read(new BufferedImageLuminanceSource(view.get()), true, found)) {
                return;
            }
        }
    }

    private static BufferedImage smaller(BufferedImage grey) {
        BufferedImage half = new BufferedImage(grey.getWidth() / 2, grey.getHeight() / 2, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = half.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.drawImage(grey, 0, 0, half.getWidth(), half.getHeight(), null);
        g.dispose();
        return half;
    }

    private static boolean read(LuminanceSource light, boolean hard, Set<Code> found) {
        Map<DecodeHintType, Object> hints = new EnumMap<>(DecodeHintType.class);
        hints.put(DecodeHintType.POSSIBLE_FORMATS, FORMATS);
        if (hard) {
            hints.put(DecodeHintType.TRY_HARDER, true);
        }
        try {
            BinaryBitmap page = new BinaryBitmap(new HybridBinarizer(light));
            boolean any = false;
            for (Result result :
                    new GenericMultipleBarcodeReader(new MultiFormatReader()).decodeMultiple(page, hints)) {
                // a few stripes of a drawing can look like a very short code
                if (result.getText().length() >= 3) {
                    any = true;
                    found.add(new Code(
                            result.getBarcodeFormat()
                                    .name()
                                    .toLowerCase(Locale.ROOT)
                                    .replace('_', '-'),
                            result.getText()));
                }
            }
            return any;
        } catch (NotFoundException none) {
            return false;
        }
    }

    private static BufferedImage turned(BufferedImage grey, int degrees) {
        double angle = Math.toRadians(degrees);
        int width = (int) (grey.getWidth() * Math.abs(Math.cos(angle)) + grey.getHeight() * Math.abs(Math.sin(angle)));
        int height = (int) (grey.getWidth() * Math.abs(Math.sin(angle)) + grey.getHeight() * Math.abs(Math.cos(angle)));
        BufferedImage result = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = result.createGraphics();
        g.setColor(java.awt.Color.WHITE);
        g.fillRect(0, 0, width, height);
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.translate(width / 2.0, height / 2.0);
        g.rotate(angle);
        g.drawImage(grey, -grey.getWidth() / 2, -grey.getHeight() / 2, null);
        g.dispose();
        return result;
    }
}
