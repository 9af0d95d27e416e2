/** Stored slots: recomputed when something changes or a day comes. */
package app.denfold.server.coverage.slots;
