package app.denfold.server.access.rights;

import app.denfold.server.access.KeyScope;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.server.PathContainer;
import org.springframework.web.util.pattern.PathPattern;
import org.springframework.web.util.pattern.PathPatternParser;

/**
 * What an account must be to use an address of the API, for all of them. Which persons and papers it may know of is asked
 * of {@link app.denfold.server.access.Viewer} by whoever answers.
 *
 * <p>The columns: method, address, right, and for what the key of a program must be to use it; a program may use no
 * address without one.
 */
final class RightsTable {

    private static final String TABLE = """
            POST    /api/accounts/{id}/close                                   ADMINISTER
            POST    /api/accounts/{id}/open                                    ADMINISTER
            GET     /api/arrivals                                              LOOK
            POST    /api/arrivals                                              CHANGE     ARRIVALS
            POST    /api/arrivals/filing                                       CHANGE
            GET     /api/arrivals/last-filing                                  LOOK
            POST    /api/arrivals/links                                        CHANGE     ARRIVALS
            GET     /api/arrivals/of-document/{documentId}                     LOOK
            POST    /api/arrivals/sent                                         CHANGE
            POST    /api/arrivals/undo-filing                                  CHANGE
            GET     /api/arrivals/{id}                                         LOOK
            GET     /api/arrivals/{id}/content                                 LOOK
            POST    /api/arrivals/{id}/discard                                 CHANGE
            POST    /api/arrivals/{id}/filing                                  CHANGE
            POST    /api/arrivals/{id}/join                                    CHANGE
            POST    /api/arrivals/{id}/link-check                              LOOK
            POST    /api/arrivals/{id}/move-page                               CHANGE
            GET     /api/arrivals/{id}/outcome                                 LOOK
            PUT     /api/arrivals/{id}/pages                                   CHANGE
            GET     /api/arrivals/{id}/pages/{page}                            LOOK
            POST    /api/arrivals/{id}/presence                                LOOK
            POST    /api/arrivals/{id}/preview                                 LOOK
            POST    /api/arrivals/{id}/put-in                                  CHANGE
            POST    /api/arrivals/{id}/set-aside                               CHANGE
            POST    /api/arrivals/{id}/split                                   CHANGE
            POST    /api/arrivals/{id}/split-by-rules                          CHANGE
            POST    /api/arrivals/{id}/take-up                                 CHANGE
            POST    /api/arrivals/{id}/undo-pages                              CHANGE
            POST    /api/arrivals/{id}/unlock                                  CHANGE
            GET     /api/audit/check                                           ADMINISTER
            GET     /api/beginning                                             EVERYBODY
            POST    /api/beginning                                             EVERYBODY
            GET     /api/board                                                 LOOK       COVERAGE
            GET     /api/board/counts                                          LOOK       COVERAGE
            GET     /api/board/csv                                             LOOK       COVERAGE
            GET     /api/board/falling                                         LOOK       COVERAGE
            GET     /api/board/forecast                                        LOOK       COVERAGE
            GET     /api/board/teams                                           LOOK
            POST    /api/bundles                                               CHANGE
            DELETE  /api/bundles/{id}                                          CHANGE
            POST    /api/bundles/{id}/given                                    LOOK
            GET     /api/calendar-feeds/{token}/papers.ics                     EVERYBODY
            GET     /api/calendars                                             LOOK
            POST    /api/calendars                                             LOOK
            DELETE  /api/calendars/{id}                                        LOOK
            GET     /api/chased                                                LOOK
            POST    /api/chasing-tasks/{id}/done                               CHANGE
            GET     /api/colleagues                                            LOOK
            DELETE  /api/comments/{id}                                         CHANGE
            POST    /api/copies-out                                            LOOK
            POST    /api/copies-out/give                                       LOOK
            GET     /api/copies-out/joined                                     LOOK
            POST    /api/copies-out/mail                                       CHANGE
            POST    /api/copies-out/share                                      CHANGE
            GET     /api/copies-out/zipped                                     LOOK
            GET     /api/copies-out/{id}/content                               LOOK
            GET     /api/copies-out/{id}/pages/{page}                          LOOK
            POST    /api/copies/check                                          EVERYBODY
            POST    /api/copy-mails/{id}/end                                   CHANGE
            GET     /api/cover-sheets                                          CHANGE
            GET     /api/cover-sheets/separator                                CHANGE
            POST    /api/coverage/newcomer                                     LOOK
            POST    /api/covers                                                CHANGE
            POST    /api/covers/look                                           CHANGE
            GET     /api/demo/mail                                             ADMINISTER
            GET     /api/demo/scanner                                          LOOK
            POST    /api/demo/scanner                                          ADMINISTER
            POST    /api/desk-lock                                             CHANGE
            GET     /api/desk-signings/{id}                                    LOOK
            GET     /api/desk-signings/{id}/pages/{page}                       LOOK
            POST    /api/desk-signings/{id}/signatures                         CHANGE
            POST    /api/desk-signings/{id}/withdraw                           CHANGE
            GET     /api/desk-turns/{turnId}                                   CHANGE
            POST    /api/desk-turns/{turnId}/decline                           CHANGE
            POST    /api/desk-turns/{turnId}/lock                              CHANGE
            GET     /api/desk-turns/{turnId}/papers/{paperId}/pages/{page}     CHANGE
            POST    /api/desk-turns/{turnId}/sign                              CHANGE
            POST    /api/desk-unlock                                           LOOK
            GET     /api/desks                                                 CHANGE
            DELETE  /api/desks/{desk}/file                                     CHANGE
            PUT     /api/desks/{desk}/file                                     CHANGE
            GET     /api/directory                                             CHANGE
            GET     /api/directory/{number}                                    CHANGE
            GET     /api/document-types                                        LOOK
            POST    /api/documents/accept                                      CHANGE
            POST    /api/documents/check                                       CHANGE
            POST    /api/documents/copy                                        CHANGE
            POST    /api/documents/destroy                                     ADMINISTER
            POST    /api/documents/details                                     CHANGE
            POST    /api/documents/details/undo                                CHANGE
            POST    /api/documents/discard                                     CHANGE
            POST    /api/documents/move                                        CHANGE
            POST    /api/documents/send-back                                   CHANGE
            POST    /api/documents/{documentId}/desk-signings                  CHANGE
            GET     /api/documents/{documentId}/desk-signings/open             LOOK
            GET     /api/documents/{id}                                        LOOK
            POST    /api/documents/{id}/accept                                 CHANGE
            DELETE  /api/documents/{id}/check                                  CHANGE
            GET     /api/documents/{id}/comments                               LOOK
            POST    /api/documents/{id}/comments                               CHANGE
            POST    /api/documents/{id}/comments/seen                          LOOK
            PUT     /api/documents/{id}/details                                CHANGE
            POST    /api/documents/{id}/entered-in-error                       CHANGE
            POST    /api/documents/{id}/excerpts                               CHANGE
            GET     /api/documents/{id}/hand-overs                             LOOK
            POST    /api/documents/{id}/hand-overs                             CHANGE
            DELETE  /api/documents/{id}/hold                                   CHANGE
            POST    /api/documents/{id}/hold                                   CHANGE
            POST    /api/documents/{id}/lift-hold                              ADMINISTER
            POST    /api/documents/{id}/pages                                  CHANGE
            POST    /api/documents/{id}/place                                  CHANGE
            POST    /api/documents/{id}/restore                                CHANGE
            POST    /api/documents/{id}/send-back                              CHANGE
            POST    /api/documents/{id}/shares                                 CHANGE
            DELETE  /api/documents/{id}/shares/{accountId}                     CHANGE
            POST    /api/documents/{id}/split                                  CHANGE
            GET     /api/documents/{id}/standing                               LOOK
            POST    /api/documents/{id}/versions                               CHANGE
            GET     /api/documents/{id}/versions/{number}/archive              LOOK
            GET     /api/documents/{id}/versions/{number}/content              LOOK
            GET     /api/documents/{id}/versions/{number}/differences          LOOK
            POST    /api/documents/{id}/versions/{number}/laid-out             LOOK
            GET     /api/documents/{id}/versions/{number}/laid-out/reading     LOOK
            POST    /api/documents/{id}/versions/{number}/link-check           LOOK
            GET     /api/documents/{id}/versions/{number}/marks                LOOK
            POST    /api/documents/{id}/versions/{number}/marks                CHANGE
            GET     /api/documents/{id}/versions/{number}/pages/{page}         LOOK
            GET     /api/documents/{id}/versions/{number}/reading              LOOK
            POST    /api/documents/{id}/versions/{number}/restore              CHANGE
            GET     /api/documents/{id}/versions/{number}/text                 LOOK
            POST    /api/documents/{id}/versions/{number}/turn                 CHANGE
            GET     /api/documents/{id}/versions/{number}/words                LOOK
            GET     /api/duplicates                                            LOOK
            DELETE  /api/excerpts/{id}                                         CHANGE
            POST    /api/files                                                 CHANGE     PEOPLE
            GET     /api/files/found                                           LOOK       PEOPLE
            GET     /api/files/{fileId}/confirmed-sections                     LOOK
            POST    /api/files/{fileId}/sections/{section}/confirm             ADMINISTER
            POST    /api/files/{fileId}/sections/{section}/reopen              ADMINISTER
            GET     /api/files/{fileId}/visits                                 LOOK
            POST    /api/files/{fileId}/visits                                 CHANGE
            DELETE  /api/files/{fileId}/visits/{id}                            CHANGE
            GET     /api/files/{fileId}/wastebasket                            LOOK
            GET     /api/files/{id}                                            LOOK       PEOPLE
            PUT     /api/files/{id}                                            CHANGE     PEOPLE
            POST    /api/files/{id}/asks                                       CHANGE
            POST    /api/files/{id}/asks/{askId}/withdraw                      CHANGE
            GET     /api/files/{id}/bundles                                    LOOK
            GET     /api/files/{id}/calendar                                   LOOK
            GET     /api/files/{id}/chase                                      LOOK
            POST    /api/files/{id}/chase                                      CHANGE
            DELETE  /api/files/{id}/chase-stop                                 CHANGE
            GET     /api/files/{id}/chase-stop                                 LOOK
            PUT     /api/files/{id}/chase-stop                                 CHANGE
            GET     /api/files/{id}/copies                                     LOOK
            GET     /api/files/{id}/copy-mails                                 LOOK
            GET     /api/files/{id}/duplicates                                 LOOK
            GET     /api/files/{id}/excerpts                                   LOOK
            POST    /api/files/{id}/guests                                     CHANGE
            DELETE  /api/files/{id}/guests/{accountId}                         ADMINISTER
            PUT     /api/files/{id}/guests/{accountId}                         CHANGE
            POST    /api/files/{id}/guests/{accountId}/invitation              CHANGE
            DELETE  /api/files/{id}/keeping-hold                               ADMINISTER
            GET     /api/files/{id}/keeping-hold                               ADMINISTER
            PUT     /api/files/{id}/keeping-hold                               ADMINISTER
            GET     /api/files/{id}/kind                                       LOOK
            POST    /api/files/{id}/kind                                       CHANGE
            GET     /api/files/{id}/ledger                                     LOOK       COVERAGE
            GET     /api/files/{id}/letters                                    LOOK
            POST    /api/files/{id}/letters                                    CHANGE
            GET     /api/files/{id}/lines                                      LOOK
            GET     /api/files/{id}/mail-answers                               LOOK
            GET     /api/files/{id}/marks                                      LOOK
            GET     /api/files/{id}/merges                                     LOOK
            GET     /api/files/{id}/messages                                   LOOK
            POST    /api/files/{id}/messages                                   CHANGE
            POST    /api/files/{id}/messages/read                              CHANGE
            DELETE  /api/files/{id}/not-same/{other}                           CHANGE
            PUT     /api/files/{id}/not-same/{other}                           CHANGE
            GET     /api/files/{id}/notices                                    LOOK
            GET     /api/files/{id}/number-sets                                LOOK
            GET     /api/files/{id}/papers                                     LOOK
            GET     /api/files/{id}/readers                                    LOOK
            GET     /api/files/{id}/relations                                  LOOK
            POST    /api/files/{id}/relations                                  CHANGE
            GET     /api/files/{id}/shared                                     LOOK
            GET     /api/files/{id}/signature-requests                         LOOK
            GET     /api/files/{id}/signers                                    LOOK
            GET     /api/files/{id}/slots/{checklist}/{requirement}            LOOK
            GET     /api/files/{id}/trail                                      LOOK
            POST    /api/files/{id}/waivers                                    CHANGE
            GET     /api/files/{id}/who-sees                                   LOOK
            GET     /api/files/{id}/words                                      LOOK
            GET     /api/files/{id}/words-to-cover                             CHANGE
            POST    /api/find                                                  LOOK
            POST    /api/find/around                                           LOOK
            POST    /api/find/counts                                           LOOK
            GET     /api/find/csv                                              LOOK
            GET     /api/find/meant                                            LOOK
            GET     /api/find/suggestions                                      LOOK
            POST    /api/forgotten-password                                    EVERYBODY
            GET     /api/guests                                                LOOK
            POST    /api/guests                                                CHANGE
            GET     /api/guests/{accountId}/portal                             LOOK
            GET     /api/guests/{accountId}/trail                              LOOK
            GET     /api/hand-overs/mine                                       LOOK
            POST    /api/hand-overs/{id}/finish                                CHANGE
            POST    /api/hand-overs/{id}/pass-on                               CHANGE
            POST    /api/hand-overs/{id}/return                                CHANGE
            GET     /api/invitations/{token}                                   EVERYBODY
            POST    /api/invitations/{token}                                   EVERYBODY
            GET     /api/jobs                                                  LOOK
            GET     /api/keeping                                               ADMINISTER
            PUT     /api/keeping                                               ADMINISTER
            GET     /api/keeping/certificates/{id}                             ADMINISTER
            POST    /api/keeping/destruction                                   ADMINISTER
            POST    /api/keeping/effect                                        ADMINISTER
            GET     /api/kinds                                                 LOOK       PEOPLE
            POST    /api/letter-batches                                        CHANGE
            GET     /api/letter-batches/{id}                                   LOOK
            PUT     /api/letter-batches/{id}/answers                           CHANGE
            POST    /api/letter-batches/{id}/filing                            CHANGE
            GET     /api/letter-forms/{id}                                     LOOK
            GET     /api/letter-forms/{id}/pages/{page}                        LOOK
            GET     /api/letter-images/{id}                                    LOOK
            GET     /api/letter-models                                         LOOK
            GET     /api/letter-models/versions/{id}                           LOOK
            GET     /api/letter-models/versions/{id}/changes                   LOOK
            GET     /api/letter-models/{id}/file                               LOOK
            GET     /api/letter-names                                          LOOK
            GET     /api/letters                                               LOOK
            DELETE  /api/letters/{id}                                          CHANGE
            GET     /api/letters/{id}                                          LOOK
            PUT     /api/letters/{id}                                          CHANGE
            POST    /api/letters/{id}/filing                                   CHANGE
            POST    /api/letters/{id}/kept-answers                             CHANGE
            POST    /api/letters/{id}/pages                                    LOOK
            GET     /api/letters/{id}/pages/{page}                             LOOK
            GET     /api/linked-copies/{token}                                 EVERYBODY
            POST    /api/linked-copies/{token}/code                            EVERYBODY
            GET     /api/linked-copies/{token}/door                            EVERYBODY
            POST    /api/linked-copies/{token}/enter                           EVERYBODY
            GET     /api/linked-copies/{token}/{copyId}/content                EVERYBODY
            GET     /api/linked-copies/{token}/{copyId}/pages/{page}           EVERYBODY
            POST    /api/mail-answers/{id}/seen                                CHANGE
            GET     /api/marks/words                                           LOOK
            DELETE  /api/marks/{id}                                            CHANGE
            PUT     /api/marks/{id}                                            CHANGE
            POST    /api/merges                                                ADMINISTER
            GET     /api/merges/preview                                        ADMINISTER
            POST    /api/merges/{id}/undo                                      ADMINISTER
            GET     /api/my-passkeys                                           ACCOUNT
            POST    /api/my-passkeys                                           ACCOUNT
            POST    /api/my-passkeys/options                                   ACCOUNT
            DELETE  /api/my-passkeys/{id}                                      ACCOUNT
            GET     /api/my-second-factor                                      ACCOUNT
            POST    /api/my-second-factor                                      ACCOUNT
            POST    /api/my-second-factor/confirm                              ACCOUNT
            POST    /api/my-second-factor/end                                  ACCOUNT
            POST    /api/my-second-factor/recovery-codes                       ACCOUNT
            GET     /api/my-sessions                                           ACCOUNT
            DELETE  /api/my-sessions/others                                    ACCOUNT
            GET     /api/my-signatures                                         ACCOUNT
            POST    /api/my-signatures/sign                                    ACCOUNT
            GET     /api/my-signatures/{turnId}                                ACCOUNT
            POST    /api/my-signatures/{turnId}/approve                        ACCOUNT
            POST    /api/my-signatures/{turnId}/decline                        ACCOUNT
            GET     /api/my-signatures/{turnId}/papers/{paperId}/copy          ACCOUNT
            GET     /api/my-signatures/{turnId}/papers/{paperId}/pages/{page}  ACCOUNT
            POST    /api/my-signatures/{turnId}/pass-on                        ACCOUNT
            POST    /api/my-signatures/{turnId}/questions                      ACCOUNT
            POST    /api/my-signatures/{turnId}/sign                           ACCOUNT
            GET     /api/notice-plans                                          LOOK
            POST    /api/notice-plans                                          ADMINISTER
            POST    /api/notice-plans/ahead                                    ADMINISTER
            POST    /api/notice-plans/preview                                  ADMINISTER
            DELETE  /api/notice-plans/{id}                                     ADMINISTER
            PUT     /api/notice-plans/{id}                                     ADMINISTER
            GET     /api/notice-words                                          LOOK
            POST    /api/notice-words                                          ADMINISTER
            GET     /api/notice-words/places                                   LOOK
            DELETE  /api/notice-words/{id}                                     ADMINISTER
            PUT     /api/notice-words/{id}                                     ADMINISTER
            GET     /api/notices                                               LOOK
            POST    /api/notices/{id}/retry                                    CHANGE
            POST    /api/number-sets                                           CHANGE
            POST    /api/number-sets/look                                      LOOK
            POST    /api/number-sets/{id}/again                                CHANGE
            GET     /api/number-sets/{id}/joined                               LOOK
            GET     /api/number-sets/{id}/zipped                               LOOK
            GET     /api/openapi                                               LOOK
            GET     /api/openapi.yaml                                          LOOK
            GET     /api/outsiders/found                                       LOOK
            GET     /api/outsiders/{id}                                        LOOK
            PUT     /api/outsiders/{id}                                        CHANGE
            GET     /api/page-numbers                                          LOOK
            POST    /api/placeholders                                          CHANGE
            GET     /api/planned-notices                                       LOOK
            POST    /api/planned-notices/hold                                  CHANGE
            GET     /api/planned-notices/letter                                LOOK
            POST    /api/planned-notices/move                                  CHANGE
            POST    /api/planned-notices/release                               CHANGE
            POST    /api/planned-notices/send                                  CHANGE
            GET     /api/portal                                                PORTAL
            GET     /api/portal/documents/{id}/content                         PORTAL
            GET     /api/portal/documents/{id}/pages/{page}                    PORTAL
            POST    /api/portal/documents/{id}/put-away                        PORTAL
            GET     /api/portal/found                                          PORTAL
            GET     /api/portal/messages                                       PORTAL
            POST    /api/portal/messages                                       PORTAL
            POST    /api/portal/messages/read                                  PORTAL
            POST    /api/portal/papers                                         PORTAL
            DELETE  /api/portal/papers/{id}                                    PORTAL
            GET     /api/portal/zip                                            PORTAL
            GET     /api/practice                                              EVERYBODY
            GET     /api/practice/app.webmanifest                              EVERYBODY
            GET     /api/practice/mark                                         EVERYBODY
            GET     /api/preferences                                           LOOK
            PUT     /api/preferences/{name}                                    LOOK
            GET     /api/print                                                 LOOK
            GET     /api/relation-kinds                                        LOOK
            DELETE  /api/relations/{id}                                        CHANGE
            GET     /api/saved-searches                                        LOOK
            POST    /api/saved-searches                                        LOOK
            GET     /api/saved-searches/counts                                 LOOK
            DELETE  /api/saved-searches/{id}                                   LOOK
            GET     /api/sending-rules                                         LOOK
            PUT     /api/sending-rules                                         ADMINISTER
            DELETE  /api/session                                               EVERYBODY
            GET     /api/session                                               EVERYBODY
            POST    /api/session                                               EVERYBODY
            POST    /api/session/code                                          EVERYBODY
            POST    /api/session/passkey                                       EVERYBODY
            POST    /api/session/passkey/options                               EVERYBODY
            POST    /api/session/second-factor                                 EVERYBODY
            POST    /api/session/second-factor/confirm                         EVERYBODY
            GET     /api/session/ways                                          EVERYBODY
            GET     /api/set-up/accounts                                       ADMINISTER
            POST    /api/set-up/accounts                                       ADMINISTER
            PUT     /api/set-up/accounts/{id}                                  ADMINISTER
            POST    /api/set-up/accounts/{id}/end-second-factor                ADMINISTER
            POST    /api/set-up/accounts/{id}/link                             ADMINISTER
            PUT     /api/set-up/accounts/{id}/pause                            ADMINISTER
            GET     /api/set-up/checklists                                     ADMINISTER
            PUT     /api/set-up/checklists                                     ADMINISTER
            PUT     /api/set-up/checklists/{code}                              ADMINISTER
            POST    /api/set-up/checklists/{code}/effect                       ADMINISTER
            GET     /api/set-up/document-types                                 ADMINISTER
            POST    /api/set-up/document-types/example                         ADMINISTER
            PUT     /api/set-up/document-types/{code}                          ADMINISTER
            POST    /api/set-up/document-types/{code}/effect                   ADMINISTER
            GET     /api/set-up/keys                                           ADMINISTER
            POST    /api/set-up/keys                                           ADMINISTER
            DELETE  /api/set-up/keys/{id}                                      ADMINISTER
            GET     /api/set-up/kinds                                          ADMINISTER
            PUT     /api/set-up/kinds/{code}                                   ADMINISTER
            POST    /api/set-up/letter-forms                                   ADMINISTER
            POST    /api/set-up/letter-images                                  ADMINISTER
            POST    /api/set-up/letter-models                                  ADMINISTER
            POST    /api/set-up/letter-models/file                             ADMINISTER
            POST    /api/set-up/letter-models/try                              ADMINISTER
            POST    /api/set-up/letter-models/words                            ADMINISTER
            PUT     /api/set-up/letter-models/{id}                             ADMINISTER
            POST    /api/set-up/letter-models/{id}/retirement                  ADMINISTER
            POST    /api/set-up/letter-models/{id}/versions                    ADMINISTER
            GET     /api/set-up/marks                                          ADMINISTER
            PUT     /api/set-up/marks                                          ADMINISTER
            POST    /api/set-up/people                                         ADMINISTER
            GET     /api/set-up/pickups                                        ADMINISTER
            PUT     /api/set-up/pickups                                        ADMINISTER
            GET     /api/set-up/practice                                       ADMINISTER
            PUT     /api/set-up/practice/days                                  ADMINISTER
            PUT     /api/set-up/practice/look                                  ADMINISTER
            DELETE  /api/set-up/practice/mark                                  ADMINISTER
            POST    /api/set-up/practice/mark                                  ADMINISTER
            PUT     /api/set-up/practice/own-files                             ADMINISTER
            PUT     /api/set-up/practice/sessions                              ADMINISTER
            PUT     /api/set-up/practice/signing                               ADMINISTER
            GET     /api/set-up/rules                                          ADMINISTER
            POST    /api/set-up/rules                                          ADMINISTER
            GET     /api/set-up/sections                                       ADMINISTER
            PUT     /api/set-up/sections                                       ADMINISTER
            GET     /api/set-up/sets                                           ADMINISTER
            POST    /api/set-up/sets                                           ADMINISTER
            GET     /api/set-up/teams                                          ADMINISTER
            PUT     /api/set-up/teams                                          ADMINISTER
            PUT     /api/set-up/usual-copies                                   ADMINISTER
            GET     /api/set-up/whole                                          ADMINISTER
            POST    /api/set-up/whole                                          ADMINISTER
            POST    /api/shares                                                CHANGE
            GET     /api/sign/{token}                                          EVERYBODY
            POST    /api/sign/{token}/code                                     EVERYBODY
            POST    /api/sign/{token}/decline                                  EVERYBODY
            GET     /api/sign/{token}/door                                     EVERYBODY
            POST    /api/sign/{token}/enter                                    EVERYBODY
            GET     /api/sign/{token}/papers/{paperId}/copy                    EVERYBODY
            GET     /api/sign/{token}/papers/{paperId}/pages/{page}            EVERYBODY
            POST    /api/sign/{token}/pass-on                                  EVERYBODY
            POST    /api/sign/{token}/questions                                EVERYBODY
            POST    /api/sign/{token}/sign                                     EVERYBODY
            GET     /api/signature-requests                                    LOOK
            POST    /api/signature-requests                                    CHANGE
            POST    /api/signature-requests/many                               CHANGE
            GET     /api/signature-requests/proposal                           LOOK
            POST    /api/signature-requests/remind                             CHANGE
            POST    /api/signature-requests/withdraw                           CHANGE
            GET     /api/signature-requests/{id}                               LOOK
            PUT     /api/signature-requests/{id}/due                           CHANGE
            POST    /api/signature-requests/{id}/questions/{questionId}/answer CHANGE
            PUT     /api/signature-requests/{id}/turns/{turnId}                CHANGE
            POST    /api/signature-requests/{id}/turns/{turnId}/look           CHANGE
            GET     /api/signature-requests/{id}/turns/{turnId}/print          LOOK
            POST    /api/signature-requests/{id}/turns/{turnId}/remind         CHANGE
            GET     /api/signature-requests/{id}/turns/{turnId}/scan/pages/{page} LOOK
            POST    /api/signature-requests/{id}/withdraw                      CHANGE
            GET     /api/today                                                 LOOK
            POST    /api/told/{token}/unsubscribe                              EVERYBODY
            POST    /api/told/{token}/visit                                    EVERYBODY
            GET     /api/under-way                                             LOOK
            POST    /api/under-way/to-send                                     CHANGE
            POST    /api/unreachable-addresses/reachable                       CHANGE
            DELETE  /api/uploads                                               ACCOUNT
            HEAD    /api/uploads                                               ACCOUNT
            OPTIONS /api/uploads                                               ACCOUNT
            PATCH   /api/uploads                                               ACCOUNT
            POST    /api/uploads                                               ACCOUNT
            DELETE  /api/uploads/*                                             ACCOUNT
            HEAD    /api/uploads/*                                             ACCOUNT
            OPTIONS /api/uploads/*                                             ACCOUNT
            PATCH   /api/uploads/*                                             ACCOUNT
            POST    /api/uploads/*                                             ACCOUNT
            GET     /api/usual-copies                                          LOOK
            GET     /api/waiting-counts                                        LOOK
            POST    /api/zips                                                  LOOK
            GET     /api/zips/{id}                                             LOOK
            """;

    private static final List<Row> ROWS = TABLE.lines()
            .map(RightsTable::row)
            .sorted(Comparator.comparing(Row::pattern))
            .toList();

    private RightsTable() {}

    /** @param scope of the keys that may use the address; null when none may */
    record Row(
            String method,
            PathPattern pattern,
            Right right,
            @Nullable KeyScope scope) {}

    private static Row row(String line) {
        String[] columns = line.strip().split("\\s+");
        return new Row(
                columns[0],
                PathPatternParser.defaultInstance.parse(columns[1]),
                Right.valueOf(columns[2]),
                Arrays.stream(columns)
                        .skip(3)
                        .findFirst()
                        .map(KeyScope::valueOf)
                        .orElse(null));
    }

    /** The row of a request; empty when it is nobody's address. */
    static Optional<Row> of(String method, String path) {
        String asked = method.equals("HEAD") && !path.startsWith("/api/uploads") ? "GET" : method;
        PathContainer parsed = PathContainer.parsePath(path);
        return ROWS.stream()
                .filter(row -> row.method().equals(asked) && row.pattern().matches(parsed))
                .findFirst();
    }

    /** Whether a method of an address, as a controller writes it, has its row. */
    static boolean lists(String method, String pattern) {
        return ROWS.stream()
                .anyMatch(row -> row.method().equals(method)
                        && row.pattern().getPatternString().equals(pattern));
    }
}
