package app.denfold.server.coverage.board;

import app.denfold.core.rules.Status;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.people.SearchText;
import jakarta.persistence.EntityManager;
import jakarta.persistence.TypedQuery;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Reads files and slots from what is stored, narrowed by a filter and by what the viewer may see. The queries are put
 * together from fixed parts; what a person typed is always a parameter.
 */
@Component
class BoardStore {

    private static final String FILES =
            " from FileStandingRow s join PersonFile f on f.id = s.fileId where true = true";
    private static final String FILES_ALONE = " from FileStandingRow s where true = true";
    private static final String SLOTS = " from Slot x join PersonFile f on f.id = x.key.fileId"
            + " join FileStandingRow s on s.fileId = f.id where x.status <> :none";

    private final EntityManager entities;

    BoardStore(EntityManager entities) {
        this.entities = entities;
    }

    /** @param visible checklist and requirement as {@code staff/contract}; null when the viewer may see all */
    record Scope(
            Viewer viewer, BoardFilter filter, @Nullable Set<String> visible) {

        static Scope of(Viewer viewer, BoardFilter filter, Catalog.Rules rules) {
            return new Scope(viewer, filter, viewer.hiddenTypes().isEmpty() ? null : keys(rules));
        }

        private static Set<String> keys(Catalog.Rules rules) {
            return rules.book().checklists().stream()
                    .flatMap(list -> list.requirements().stream().map(r -> list.code() + "/" + r.code()))
                    .collect(Collectors.toSet());
        }

        boolean seesAll() {
            return visible == null;
        }
    }

    /** A file as a row of the board. */
    record FileLine(
            UUID id,
            String number,
            String kind,
            String givenName,
            String familyName,
            LocalDate birthDate,
            String team,
            Instant lastActivityAt,
            boolean clear,
            LocalDate clearThrough,
            int openBlocking) {}

    record SlotStatus(UUID fileId, String checklist, String requirement, Status status, boolean blocking) {}

    record Fall(LocalDate on, Status to, long count) {}

    /** A slot that falls open on a day. */
    record FallingSlot(
            UUID fileId,
            String number,
            String givenName,
            String familyName,
            String checklist,
            String requirement,
            LocalDate on,
            Status to) {}

    List<FileLine> files(Scope scope, String order, int offset, int limit) {
        Where where = where(scope);
        TypedQuery<FileLine> query = entities.createQuery(
                "select f.id, f.number, f.kind, f.givenName, f.familyName, f.birthDate, f.team, f.lastActivityAt,"
                        + " s.clear, s.clearThrough, s.openBlocking" + FILES + where.text + " order by " + order,
                FileLine.class);
        return where.bind(query).setFirstResult(offset).setMaxResults(limit).getResultList();
    }

    List<UUID> fileIds(Scope scope, String order, int offset, int limit) {
        Where where = where(scope);
        return where.bind(entities.createQuery("select f.id" + FILES + where.text + " order by " + order, UUID.class))
                .setFirstResult(offset)
                .setMaxResults(limit)
                .getResultList();
    }

    List<FileLine> filesById(Collection<UUID> ids) {
        return entities.createQuery(
                        "select f.id, f.number, f.kind, f.givenName, f.familyName, f.birthDate, f.team,"
                                + " f.lastActivityAt, s.clear, s.clearThrough, s.openBlocking" + FILES
                                + " and f.id in :ids",
                        FileLine.class)
                .setParameter("ids", ids)
                .getResultList();
    }

    /** How many files there are, and how many of them are clear. */
    record FileCount(long files, long clear) {}

    FileCount countFiles(Scope scope) {
        Where where = where(scope);
        return where.bind(entities.createQuery(
                        "select count(*), coalesce(sum(case when s.clear = true then 1 else 0 end), 0)" + files(where),
                        FileCount.class))
                .getSingleResult();
    }

    /** Files by a filter; persons are looked up only where the filter is about them. */
    private static String files(Where where) {
        return (where.text.contains("f.") ? FILES : FILES_ALONE) + where.text;
    }

    List<SlotStatus> slotsOf(Collection<UUID> fileIds, @Nullable String checklist) {
        boolean one = BoardFilter.isGiven(checklist);
        TypedQuery<SlotStatus> query = entities.createQuery(
                "select x.key.fileId, x.key.checklist, x.key.requirement, x.status, x.blocking from Slot x"
                        + " where x.key.fileId in :ids and x.status <> :none"
                        + (one ? " and x.key.checklist = :checklist" : ""),
                SlotStatus.class);
        if (one) {
            query.setParameter("checklist", checklist);
        }
        return query.setParameter("ids", fileIds)
                .setParameter("none", Status.NOT_APPLICABLE)
                .getResultList();
    }

    /** Slots by status; from the counts kept with each file where the filter allows, else slot by slot. */
    Map<Status, Long> countSlots(Scope scope) {
        return scope.seesAll() && !BoardFilter.isGiven(scope.filter.checklist()) ? countKept(scope) : countEach(scope);
    }

    private Map<Status, Long> countKept(Scope scope) {
        Where where = where(scope);
        Object[] sums = where.bind(entities.createQuery(
                        "select sum(s.waived), sum(s.onFile), sum(s.expiring), sum(s.inGrace), sum(s.inReview),"
                                + " sum(s.awaitingSignature), sum(s.lapsed), sum(s.sentBack), sum(s.notYetDue),"
                                + " sum(s.missing)" + files(where),
                        Object[].class))
                .getSingleResult();
        Status[] order = {
            Status.WAIVED,
            Status.ON_FILE,
            Status.EXPIRING,
            Status.IN_GRACE,
            Status.IN_REVIEW,
            Status.AWAITING_SIGNATURE,
            Status.LAPSED,
            Status.SENT_BACK,
            Status.NOT_YET_DUE,
            Status.MISSING
        };
        Map<Status, Long> counts = new HashMap<>();
        for (int i = 0; i < order.length; i++) {
            counts.put(order[i], sums[i] == null ? 0L : ((Number) sums[i]).longValue());
        }
        return counts;
    }

    private Map<Status, Long> countEach(Scope scope) {
        Where where = whereOfSlots(scope);
        Map<Status, Long> counts = new HashMap<>();
        where.bind(entities.createQuery(
                        "select x.status, count(*)" + SLOTS + where.text + " group by x.status", Object[].class))
                .getResultList()
                .forEach(row -> counts.put((Status) row[0], (Long) row[1]));
        return counts;
    }

    /** Slots that fall open on each day from the first to the last, both included. */
    List<Fall> falls(Scope scope, LocalDate from, LocalDate to) {
        Where where = whereOfSlots(scope).and(" and x.fallsOn between :from and :to", "from", from);
        where.values.put("to", to);
        return where.bind(entities.createQuery(
                        "select x.fallsOn, x.fallsTo, count(*)" + SLOTS + where.text + " group by x.fallsOn, x.fallsTo",
                        Fall.class))
                .getResultList();
    }

    List<FallingSlot> falling(Scope scope, LocalDate from, LocalDate to, int most) {
        Where where = whereOfSlots(scope).and(" and x.fallsOn between :from and :to", "from", from);
        where.values.put("to", to);
        return where.bind(entities.createQuery(
                        "select f.id, f.number, f.givenName, f.familyName, x.key.checklist, x.key.requirement,"
                                + " x.fallsOn, x.fallsTo" + SLOTS + where.text
                                + " order by x.fallsOn, f.familyName, f.givenName",
                        FallingSlot.class))
                .setMaxResults(most)
                .getResultList();
    }

    /** Blocking slots with one of the statuses, the longest standing first. */
    List<StandingSlot> standing(Scope scope, Collection<Status> statuses, int most) {
        Where where = whereOfSlots(scope).and(" and x.blocking = true and x.status in :statuses", "statuses", statuses);
        return where.bind(entities.createQuery(
                        "select f.id, f.number, f.givenName, f.familyName, x.key.checklist, x.key.requirement, x.status,"
                                + " x.since, x.coveredThrough, x.due, x.nextChangeOn, x.nextStatus" + SLOTS + where.text
                                + " order by x.since nulls first, f.familyName, f.givenName",
                        StandingSlot.class))
                .setMaxResults(most)
                .getResultList();
    }

    /** A slot with how it stands. */
    record StandingSlot(
            UUID fileId,
            String number,
            String givenName,
            String familyName,
            String checklist,
            String requirement,
            Status status,
            LocalDate since,
            LocalDate coveredThrough,
            LocalDate due,
            LocalDate nextChangeOn,
            Status nextStatus) {}

    List<String> teams(Viewer viewer) {
        return entities.createQuery(
                        "select distinct f.team from PersonFile f where f.team is not null"
                                + " and (:everybody = true or f.team in :teams or f.id in :people) order by f.team",
                        String.class)
                .setParameter("everybody", viewer.seesEverybody())
                .setParameter("teams", List.of(viewer.sight().teamNames()))
                .setParameter("people", List.of(viewer.sight().files()))
                .getResultList();
    }

    private static Where whereOfSlots(Scope scope) {
        Where where = whereOfPersons(scope);
        where.values.put("none", Status.NOT_APPLICABLE);
        if (scope.filter.onlyOpen()) {
            where.text += " and s.openBlocking > 0";
        }
        if (scope.filter.wantedStatus() != null) {
            where.and(" and x.status = :status", "status", scope.filter.wantedStatus());
        }
        if (BoardFilter.isGiven(scope.filter.checklist())) {
            where.and(" and x.key.checklist = :checklist", "checklist", scope.filter.checklist());
        }
        if (!scope.seesAll()) {
            where.and(" and concat(x.key.checklist, '/', x.key.requirement) in :visible", "visible", scope.visible);
        }
        return where;
    }

    private static Where where(Scope scope) {
        Where where = whereOfPersons(scope);
        if (scope.filter.onlyOpen()) {
            where.text += " and s.openBlocking > 0";
        }
        boolean list = BoardFilter.isGiven(scope.filter.checklist());
        if (scope.filter.wantedStatus() != null || list) {
            where.text += " and exists (select 1 from Slot x where x.key.fileId = s.fileId and x.status <> :none";
            where.values.put("none", Status.NOT_APPLICABLE);
            if (scope.filter.wantedStatus() != null) {
                where.and(" and x.status = :status", "status", scope.filter.wantedStatus());
            }
            if (list) {
                where.and(" and x.key.checklist = :checklist", "checklist", scope.filter.checklist());
            }
            if (!scope.seesAll()) {
                where.and(" and concat(x.key.checklist, '/', x.key.requirement) in :visible", "visible", scope.visible);
            }
            where.text += ")";
        }
        return where;
    }

    private static final List<Status> OPEN =
            java.util.Arrays.stream(Status.values()).filter(Status::isOpen).toList();

    private static Where whereOfPersons(Scope scope) {
        Where where = new Where();
        BoardFilter filter = scope.filter;
        if (!scope.viewer.seesEverybody()) {
            where.and(
                    " and (f.team in :teams or f.id in :people)",
                    "teams",
                    List.of(scope.viewer.sight().teamNames()));
            where.values.put("people", List.of(scope.viewer.sight().files()));
        }
        if (BoardFilter.isGiven(filter.kind())) {
            where.and(" and f.kind = :kind", "kind", filter.kind());
        }
        if (BoardFilter.isGiven(filter.team())) {
            where.and(" and f.team = :team", "team", filter.team());
        }
        if (BoardFilter.isGiven(filter.text())) {
            where.and(" and f.searchText like :text escape '!'", "text", SearchText.containing(filter.text()));
        }
        return where;
    }

    /** How many blocking slots of each file are open that the viewer may not see; files with none are left out. */
    Map<UUID, Integer> countHiddenOpen(Scope scope, Collection<UUID> fileIds) {
        Map<UUID, Integer> counts = new HashMap<>();
        if (!scope.seesAll() && !fileIds.isEmpty()) {
            entities.createQuery(
                            "select x.key.fileId, count(*) from Slot x where x.key.fileId in :ids and x.blocking = true"
                                    + " and x.status in :open and concat(x.key.checklist, '/', x.key.requirement)"
                                    + " not in :visible group by x.key.fileId",
                            Object[].class)
                    .setParameter("ids", fileIds)
                    .setParameter("open", OPEN)
                    .setParameter("visible", scope.visible)
                    .getResultList()
                    .forEach(row -> counts.put((UUID) row[0], ((Number) row[1]).intValue()));
        }
        return counts;
    }

    /** Conditions with their parameters. */
    private static final class Where {
        private String text = "";
        private final Map<String, Object> values = new HashMap<>();

        Where and(String condition, String name, @Nullable Object value) {
            text += condition;
            values.put(name, value);
            return this;
        }

        <T> TypedQuery<T> bind(TypedQuery<T> query) {
            values.forEach(query::setParameter);
            return query;
        }
    }
}
