/** The trail: every act a row, chained and checked. */
package app.denfold.server.audit;
