package app.denfold.server.reading;

import app.denfold.paper.reading.WordBox;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Boxes of words as they are stored: four unsigned numbers of two bytes for each. */
final class PackedBoxes {

    private static final int BYTES = 8;

    private PackedBoxes() {}

    /** Null when there are none. */
    static byte @Nullable [] pack(List<WordBox> boxes) {
        if (boxes.isEmpty()) {
            return null;
        }
        ByteBuffer packed = ByteBuffer.allocate(BYTES * boxes.size());
        for (WordBox box : boxes) {
            packed.putShort((short) box.left());
            packed.putShort((short) box.top());
            packed.putShort((short) box.width());
            packed.putShort((short) box.height());
        }
        return packed.array();
    }

    static List<WordBox> unpack(byte[] bytes) {
        if (bytes == null) {
            return List.of();
        }
        ByteBuffer packed = ByteBuffer.wrap(bytes);
        List<WordBox> boxes = new ArrayList<>(bytes.length / BYTES);
        while (packed.remaining() >= BYTES) {
            boxes.add(new WordBox(packed.getShort(), packed.getShort(), packed.getShort(), packed.getShort()));
        }
        return boxes;
    }
}
