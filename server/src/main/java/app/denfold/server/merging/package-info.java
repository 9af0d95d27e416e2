/** Files that may be of one person: found, looked at side by side, put together, and taken apart again for a day. */
package app.denfold.server.merging;
