package app.denfold.server.chasing;

import java.util.UUID;

/** A message waits to be sent. */
record NoticeQueued(UUID noticeId) {}
