package app.denfold.server.practice;

import java.time.LocalDate;

/**
 * The day asked about and the day whose knowledge is used.
 *
 * @param on the day asked about
 * @param known only what was recorded on or before it exists
 */
public record AsOf(LocalDate on, LocalDate known) {}
