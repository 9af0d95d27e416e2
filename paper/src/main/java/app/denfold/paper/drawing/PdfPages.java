package app.denfold.paper.drawing;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.rendering.PageDrawer;
import org.apache.pdfbox.rendering.PageDrawerParameters;

/** Draws pages of a PDF, and tells whether all that is on them could be drawn. */
public final class PdfPages {

    /** @param whole false when something on the page, such as a picture, could not be decoded and is left out */
    public record Drawn(BufferedImage image, boolean whole) {}

    private final Renderer renderer;

    public PdfPages(PDDocument document) {
        this.renderer = new Renderer(document);
        this.renderer.setSubsamplingAllowed(true);
    }

    /** @param page from 1 @param scale pixels for each seventy-second of an inch */
    public Drawn draw(int page, float scale, ImageType type) throws IOException {
        renderer.leftOut = false;
        BufferedImage image = renderer.renderImage(page - 1, scale, type);
        return new Drawn(image, !renderer.leftOut);
    }

    private static final class Renderer extends PDFRenderer {
        private boolean leftOut;

        Renderer(PDDocument document) {
            super(document);
        }

        @Override
        protected PageDrawer createPageDrawer(PageDrawerParameters parameters) throws IOException {
            return new PageDrawer(parameters) {
                @Override
                protected void operatorException(Operator operator, List<COSBase> operands, IOException failed)
                        throws IOException {
                    leftOut |= operator.getName().equals("Do")
                            || operator.getName().equals("BI");
                    super.operatorException(operator, operands, failed);
                }
            };
        }
    }
}
