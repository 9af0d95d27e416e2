/** Progress of long work, and events that must be told again. */
package app.denfold.server.jobs;
