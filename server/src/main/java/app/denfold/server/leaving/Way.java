package app.denfold.server.leaving;

/** How a copy was given. */
enum Way {
    DOWNLOAD,
    PRINT,
    MAIL,
    PORTAL
}
