package app.denfold.server.arrivals.desks;

import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.ListCrudRepository;

interface PickupDeskRepository extends ListCrudRepository<PickupDesk, String> {

    /** The watcher of the folders and an administrator may come upon a new desk at the same moment. */
    @Modifying
    @Query(value = """
            insert into pickup_desk
            (name, version, split_blank, split_counts, split_every, drop_blank, files_covers, pause_seconds)
            values (:name, 0, false, false, 0, false, false, :pause) on conflict (name) do nothing
            """, nativeQuery = true)
    void insertUnlessThere(String name, int pause);
}
