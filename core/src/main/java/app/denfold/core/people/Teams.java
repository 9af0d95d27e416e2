package app.denfold.core.people;

import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * The teams of a practice as a tree: teams lie in departments, departments in areas, and either may be left out. A team
 * that only stands on a file and not in the tree counts as one that lies in nothing.
 */
public final class Teams {

    /** How large a part of the practice a team is; each lies in a larger one only. */
    public enum Size {
        TEAM,
        DEPARTMENT,
        AREA
    }

    /** @param within name of the larger one in which it lies; null when it lies in none */
    public record Team(String name, Size size, @Nullable String within) {}

    /** Whose files somebody sees. */
    public enum Reach {
        /** Those of everybody. */
        EVERYBODY,
        /** Those of the area in which the own team lies. */
        AREA,
        /** Those of the department in which the own team lies. */
        DEPARTMENT,
        /** Those of the own team and of what lies in it. */
        TEAM,
        /** Those of whom one is in charge, alone. */
        OWN_PEOPLE
    }

    private final Map<String, Team> byName = new LinkedHashMap<>();

    /** @throws IllegalArgumentException when {@link #faults} finds any */
    public Teams(Collection<Team> all) {
        Map<Integer, String> faults = faults(List.copyOf(all));
        if (!faults.isEmpty()) {
            throw new IllegalArgumentException(faults.toString());
        }
        all.forEach(team -> byName.put(team.name(), team));
    }

    /** What cannot be, in words, by the place in the list, from 0; empty when it is a tree. */
    public static Map<Integer, String> faults(List<Team> all) {
        Map<Integer, String> faults = new LinkedHashMap<>();
        Map<String, Team> known = new HashMap<>();
        all.forEach(team -> known.putIfAbsent(team.name(), team));
        for (int i = 0; i < all.size(); i++) {
            Team team = all.get(i);
            Team larger = team.within() == null ? null : known.get(team.within());
            if (team.name().isBlank()) {
                faults.put(i, "A name is needed.");
            } else if (known.get(team.name()) != team) {
                faults.put(i, "There is another one called " + team.name() + ".");
            } else if (team.within() != null && larger == null) {
                faults.put(i, "There is nothing called " + team.within() + ".");
            } else if (larger != null && larger.size().compareTo(team.size()) <= 0) {
                faults.put(i, team.name() + " cannot lie in " + larger.name() + ", which is no larger.");
            }
        }
        return faults;
    }

    /** The team itself and all that lies in it. */
    public Set<String> in(String name) {
        Set<String> all = new TreeSet<>(Set.of(name));
        Deque<String> toLookInto = new ArrayDeque<>(all);
        while (!toLookInto.isEmpty()) {
            String larger = toLookInto.pop();
            byName.values().stream()
                    .filter(team -> larger.equals(team.within()))
                    .map(Team::name)
                    .filter(all::add)
                    .forEach(toLookInto::push);
        }
        return all;
    }

    /**
     * The teams whose files somebody sees, without regard to single persons he is in charge of.
     *
     * @param team the own one; null for none
     * @param leads those he leads, which he sees whatever the reach
     * @return empty for {@link Reach#EVERYBODY}, who is not limited to teams
     */
    public Set<String> seen(Reach reach, @Nullable String team, Collection<String> leads) {
        Set<String> seen = new TreeSet<>();
        if (reach == Reach.EVERYBODY) {
            return seen;
        }
        leads.forEach(led -> seen.addAll(in(led)));
        if (team != null && reach != Reach.OWN_PEOPLE) {
            seen.addAll(in(around(team, Size.valueOf(reach.name()))));
        }
        return seen;
    }

    /** The part of that size in which a team lies; where there is none, the largest smaller one, at last the team. */
    private String around(String team, Size size) {
        Team at = byName.get(team);
        while (at != null && at.within() != null) {
            Team larger = byName.get(at.within());
            if (larger == null || larger.size().compareTo(size) > 0) {
                break;
            }
            at = larger;
        }
        return at == null ? team : at.name();
    }
}
