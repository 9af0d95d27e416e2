package app.denfold.paper.drawing;

import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/**
 * A page that is nothing but one JPEG picture over all of it, as scanners make them: its picture is taken as it is, which
 * is much quicker than drawing the page.
 */
public final class ScannedPage {

    /** How far the picture's edges may be from those of the page, as a share of its size. */
    private static final double NEAR = 0.02;

    /** No scanner needs more words to place a picture. */
    private static final int MOST_TOKENS = 40;

    private ScannedPage() {}

    /**
     * @param width the least it is thinned to, in pixels, where it has more
     * @return the picture, upright as the page is; empty when the page is anything else
     */
    public static Optional<BufferedImage> picture(PDPage page, int width) throws IOException {
        if (page.getRotation() != 0 || !page.getAnnotations().isEmpty() || page.getResources() == null) {
            return Optional.empty();
        }
        Placed placed = placed(page).orElse(null);
        if (placed == null || !covers(placed.at, page.getCropBox())) {
            return Optional.empty();
        }
        PDXObject object = page.getResources().getXObject(placed.name);
        if (!(object instanceof PDImageXObject image) || !isPlainJpeg(image)) {
            return Optional.empty();
        }
        try (InputStream bytes = image.getStream().createInputStream(List.of("DCTDecode", "DCT"));
                MemoryCacheImageInputStream in = new MemoryCacheImageInputStream(bytes)) {
            return Optional.of(read(in, width));
        } catch (IOException unusual) {
            return Optional.empty();
        }
    }

    private static BufferedImage read(ImageInputStream in, int width) throws IOException {
        ImageReader reader = ImageIO.getImageReadersByFormatName("jpeg").next();
        try {
            reader.setInput(in, true, true);
            ImageReadParam param = reader.getDefaultReadParam();
            int step = Math.max(1, reader.getWidth(0) / width);
            param.setSourceSubsampling(step, step, 0, 0);
            return reader.read(0, param);
        } finally {
            reader.dispose();
        }
    }

    private static boolean isPlainJpeg(PDImageXObject image) throws IOException {
        Object filters = image.getCOSObject().getFilters();
        boolean jpeg = COSName.DCT_DECODE.equals(filters);
        int colours = image.getColorSpace().getNumberOfComponents();
        return jpeg
                && (colours == 1 || colours == 3)
                && image.getDecode() == null
                && image.getSoftMask() == null
                && image.getMask() == null
                && image.getColorKeyMask() == null;
    }

    private record Placed(COSName name, AffineTransform at) {}

    /** The only picture that is drawn, if nothing else is. */
    private static Optional<Placed> placed(PDPage page) throws IOException {
        if (!page.hasContents()) {
            return Optional.empty();
        }
        AffineTransform now = new AffineTransform();
        Placed found = null;
        List<Object> operands = new ArrayList<>();
        PDFStreamParser parser = new PDFStreamParser(page);
        int tokens = 0;
        for (Object token = parser.parseNextToken(); token != null; token = parser.parseNextToken()) {
            if (++tokens > MOST_TOKENS) {
                return Optional.empty();
            }
            if (!(token instanceof Operator operator)) {
                operands.add(token);
                continue;
            }
            switch (operator.getName()) {
                case "q", "Q" -> {}
                case "cm" -> {
                    if (found != null
                            || operands.size() != 6
                            || !operands.stream().allMatch(COSNumber.class::isInstance)) {
                        return Optional.empty();
                    }
                    double[] numbers = operands.stream()
                            .mapToDouble(o -> ((COSNumber) o).floatValue())
                            .toArray();
                    now.concatenate(new AffineTransform(numbers));
                }
                case "Do" -> {
                    if (found != null || operands.size() != 1 || !(operands.get(0) instanceof COSName name)) {
                        return Optional.empty();
                    }
                    found = new Placed(name, new AffineTransform(now));
                }
                default -> {
                    return Optional.empty();
                }
            }
            operands.clear();
        }
        return Optional.ofNullable(found);
    }

    private static boolean covers(AffineTransform at, PDRectangle page) {
        double near = NEAR * Math.max(page.getWidth(), page.getHeight());
        return at.getShearX() == 0
                && at.getShearY() == 0
                && Math.abs(at.getScaleX() - page.getWidth()) <= near
                && Math.abs(at.getScaleY() - page.getHeight()) <= near
                && Math.abs(at.getTranslateX() - page.getLowerLeftX()) <= near
                && Math.abs(at.getTranslateY() - page.getLowerLeftY()) <= near;
    }
}
