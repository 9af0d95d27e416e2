package app.denfold.server.letters.images;

import app.denfold.server.content.destroying.UsesContent;
import app.denfold.server.letters.KeptImageRepository;
import org.springframework.stereotype.Component;

/** Pictures are kept, so that old versions of models can still be looked at. */
@Component
class ImagesUseContent implements UsesContent {

    private final KeptImageRepository images;

    ImagesUseContent(KeptImageRepository images) {
        this.images = images;
    }

    @Override
    public boolean uses(String sha256) {
        return images.existsBySha256(sha256);
    }
}
