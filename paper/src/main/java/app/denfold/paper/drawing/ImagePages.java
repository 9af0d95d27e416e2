package app.denfold.paper.drawing;

import java.awt.Dimension;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** The pages of an image file; a TIFF may have many. */
public final class ImagePages implements AutoCloseable {

    private final ImageInputStream in;
    private final ImageReader reader;

    private ImagePages(ImageInputStream in, ImageReader reader) {
        this.in = in;
        this.reader = reader;
    }

    public static ImagePages open(Path file) throws IOException {
        ImageInputStream in = ImageIO.createImageInputStream(file.toFile());
        Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
        if (!readers.hasNext()) {
            in.close();
            throw new IOException("No reader knows this image");
        }
        ImageReader reader = readers.next();
        reader.setInput(in);
        return new ImagePages(in, reader);
    }

    public int count() throws IOException {
        return reader.getNumImages(true);
    }

    public Dimension size(int page) throws IOException {
        return new Dimension(reader.getWidth(page), reader.getHeight(page));
    }

    /** The page, thinned while reading so that it is at least {@code width} wide where it can be. */
    public BufferedImage read(int page, int width) throws IOException {
        ImageReadParam param = reader.getDefaultReadParam();
        int step = Math.max(1, reader.getWidth(page) / Math.max(1, width));
        param.setSourceSubsampling(step, step, 0, 0);
        return reader.read(page, param);
    }

    @Override
    public void close() throws IOException {
        reader.dispose();
        in.close();
    }
}
