/** Papers that came in and wait: the arrival, its state and its pages. */
package app.denfold.server.arrivals;
