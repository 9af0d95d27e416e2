package app.denfold.server.coverage.slots;

import app.denfold.server.merging.FileRowsStore;
import app.denfold.server.merging.FileRowsStore.Rows;
import app.denfold.server.merging.FollowsMerge;
import java.util.List;
import java.util.UUID;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Waivers go along when files are merged; slots are computed, so those of the closed file only go. */
@Configuration
class SlotsFollowMerge {

    @Bean
    FollowsMerge waiversFollow(FileRowsStore rows) {
        return rows.follow(Rows.of("waiver", "waiver", "waivers").versioned());
    }

    @Bean
    FollowsMerge slotsGo(SlotRepository slots, FileStandingRepository standings) {
        return new FollowsMerge() {
            @Override
            public String name() {
                return "slot";
            }

            @Override
            public List<String> follow(UUID gone, UUID kept) {
                slots.deleteOfFile(gone);
                standings.deleteOfFile(gone);
                return List.of();
            }

            @Override
            public void goBack(UUID gone, UUID kept, List<String> moved) {
                // computed anew because the person changed
            }
        };
    }
}
