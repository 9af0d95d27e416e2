/** What is asked of a file on a day: one evaluation, waivers included. */
package app.denfold.server.coverage;
