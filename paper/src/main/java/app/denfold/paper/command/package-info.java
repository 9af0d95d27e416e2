/** What is read on papers, told on the command line without a server or a database. */
@NullMarked
package app.denfold.paper.command;

import org.jspecify.annotations.NullMarked;
