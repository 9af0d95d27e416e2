package app.denfold.core.dates;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Words beside a day that tell what it is, in English, German, French, Italian and Spanish. Of labels that overlap the
 * longest one is meant; those that tell little count only where no other stands.
 */
final class Labels {

    private static final String ON = "(?: (?:on|am|le|il|el|the))*";

    /** Those that tell a role by themselves. A line for each; spaces stand for any. */
    private static final List<Kind> STRONG = List.of(
            kind(
                    DateRole.BIRTH,
                    "born" + ON,
                    "(?:date|day|place and date) of birth",
                    "birth ?dat(?:e|um)",
                    "birth(?:day)?",
                    "b\\.",
                    "d\\.? ?o\\.? ?b\\.?",
                    "b\\. ?date",
                    "geb(?:oren|\\.)?" + ON,
                    "geburts(?:datum|tag)",
                    "date de naissance",
                    "née?(?:\\(e\\))?" + ON,
                    "data di nascita",
                    "nat[oa](?:/a)?(?: a \\p{L}+)?" + ON,
                    "fecha de nacimiento",
                    "nacid[oa](?:/a)?(?: en \\p{L}+)?" + ON),
            kind(
                    DateRole.EXPIRES,
                    "expir(?:y|es|ed|ing|ation)(?: (?:date|day))?" + ON,
                    "(?:date|day) of expir(?:y|ation)",
                    "(?:will|shall|does|to) (?:expire|end|lapse|cease)" + ON,
                    "exp\\.?(?: ?date)?",
                    "(?:not )?(?:valid(?:ity)?|good|in force|effective|holds|held|runs|cover(?:ed|s)?|cleared|authorised|fit|licen[cs]ed|approved)"
                            + " (?:only )?(?:until|till|through|thru|to|up to)(?: and including)?",
                    "(?:no longer|not) (?:to be )?(?:valid|good|used?) (?:after|beyond)" + ON,
                    "(?:kündigung|gekündigt) (?:zum|per)",
                    "(?:terminat(?:ed|ion)|resign(?:ed|ation)) (?:with effect from|as of|on)",
                    "(?:versicherungs|vertrags|gültigkeits|dienst|kurs|lehrgangs|laufzeit)ende",
                    "valid(?:ity)? (?:end|thru|until)s?" + ON,
                    "use(?: it)? (?:by|before)",
                    "best before(?: end)?",
                    "(?:end|lapse|termination|cut-?off) date",
                    "(?:end|ende|ending|fine?)",
                    "(?:date of lapse|last day(?: of (?:cover|validity|employment|term))?|end of (?:term|validity|cover|contract))"
                            + "(?: is)?" + ON,
                    "(?:ends|lapses|terminates|runs out|ceases(?: to be valid)?)" + ON,
                    "(?:until|till|through)(?: and including)?",
                    "(?:gültig|befristet|gilt|gelten|gueltig|tauglich|zugelassen|versichert)(?: nur)? bis(?: (?:zum|einschließlich|inkl\\.?|und mit))*",
                    "gültigkeit(?:sdauer)?(?: endet)?(?: bis| am)?",
                    "(?:ablauf|verfalls?|end)(?:datum|tag)",
                    "(?:läuft|laeuft|lief)(?: am)?",
                    "(?:endet|erlischt|verfällt|verliert ihre gültigkeit)(?: mit| am)*",
                    "(?:ende|ablauf) der (?:gültigkeit|laufzeit|frist)",
                    "nicht mehr gültig nach",
                    "bis(?: (?:zum|einschließlich|inkl\\.?))*",
                    "(?:date d['’](?:expiration|échéance)|date de fin(?: de validité)?|fin de validité)",
                    "(?:expire|expirera|prend fin|se termine|arrive à échéance)" + ON,
                    "(?:valable|valide|en vigueur)?(?:,)? ?jusqu['’](?:au|à)(?: la date du)?",
                    "(?:data di )?scadenza",
                    "(?:scade|scadrà|termina|cessa)" + ON,
                    "(?:valid[oaie]|valevole|validità)? ?fino (?:al|a)",
                    "(?:vencimiento|caducidad|expiration)",
                    "(?:fecha de (?:caducidad|vencimiento|expiración|fin)|válido hasta(?: el)?)",
                    "(?:caduca|vence|expira|termina|finaliza)" + ON,
                    "(?:válid[oa]|vigente)? ?hasta(?: el)?"),
            kind(
                    DateRole.EFFECTIVE,
                    "(?:valid|effective|in force|in effect|applies|applicable|runs|covered|holds|cover) (?:as )?(?:from|of|since|on)",
                    "(?:effective|start(?:ing)?|commencement|inception|beginning|entry)(?: date)" + ON,
                    "date effective",
                    "(?:commencement|inception|decorrenza|in kraft|effective date)",
                    "not (?:valid|to be used) before",
                    "effective",
                    "(?:takes?|taking|come(?:s)?) (?:effect|into (?:effect|force))" + ON,
                    "with effect (?:from|on)",
                    "as (?:of|from)",
                    "(?:begin|start|commenc|began|begun)(?:s|es|ing|ed)?(?: (?:on|from|work|date))*",
                    "(?:first day(?: of (?:cover|employment|term))?|start of (?:term|cover|employment|validity))(?: is)?"
                            + ON,
                    "from",
                    "(?:gültig|gilt|wirksam|in kraft) (?:ab|seit|vom|von)(?: dem)?",
                    "(?:tritt|trat)(?: am)?",
                    "mit wirkung (?:vom|ab|zum)",
                    "(?:versicherungs|dienst|kurs|lehrgangs|laufzeit)beginn",
                    "(?:beginn(?:t|datum)?|startdatum|eintrittsdatum|vertragsbeginn|gültigkeitsbeginn|dienstantritt)(?: ist)?(?: am)?",
                    "(?:ab|von|vom)(?: dem)?",
                    "(?:à (?:compter|partir) du|dès le|date (?:d['’]effet|de début|d['’]entrée en vigueur))",
                    "(?:prend effet|entre en vigueur|commence|débute)" + ON,
                    "valable (?:à partir )?du",
                    "(?:a (?:decorrere|partire|far data) dal|in vigore dal|decorre dal|con effetto dal|data di (?:inizio|decorrenza))",
                    "(?:inizia|comincia)" + ON,
                    "valid[oa] dal",
                    "(?:a partir del|desde el|en vigor (?:desde|a partir) (?:el|del)|con efecto desde el|fecha de (?:inicio|efecto|entrada en vigor))",
                    "(?:comienza|empieza|entra en vigor)" + ON,
                    "(?:du|dal|del)"),
            kind(
                    DateRole.DUE,
                    "(?:payment |amount )?due(?: (?:date|on|by|before))*",
                    "date due",
                    "(?:by|before|avant le|entro(?: il)?|antes del)",
                    "(?:pay(?:able|ment)?|return(?:ed)?|reply|respond|answer|submit(?:ted)?|send|sent|hand(?:ed)? in|complete|bring|renew(?:ed|al)?|"
                            + "review(?:ed)?|reassess(?:ed|ment)?|re-?test|re-?inspection|received|file)(?: \\p{L}+){0,4}"
                            + " (?:by|before|no later than|on or before|not later than|until)",
                    "(?:next )?(?:review|renewal|reassessment|retest|re-?inspection|follow-?up)(?: (?:date|due|by|on|is))*",
                    "(?:deadline|no later than|not later than|at the latest by|on or before)(?: is)?" + ON,
                    "(?:date of (?:the )?)?next (?!(?:appointment|visit|lesson|meeting|session|course|class|hearing|interview|delivery|event)\\b)"
                            + "\\p{L}+(?: (?:date|due|by|on|is))*",
                    "(?:fällig|wiedervorlage|zahlbar|abgabe|einreichung|anmeldung|einzureichen|zu zahlen|zu bezahlen|rückgabe|rücksendung|abzugeben)(?: (?:am|bis|spätestens|zum))*",
                    "(?:zahlungsziel|fälligkeit(?:sdatum)?|abgabefrist|frist|spätestens)(?: (?:am|bis|zum|ist))*",
                    "(?:nächste[rs]?|erneute) (?!(?:termin|besuch|stunde|unterricht)\\b)\\p{L}+(?: (?:am|bis|fällig|ist))*",
                    "(?:à (?:payer|retourner|renvoyer|renouveler|réviser)(?: (?:avant|pour|d['’]ici))?(?: le)?|date limite(?: de paiement)?|"
                            + "échéance(?: de paiement)?|au plus tard le|avant le)",
                    "(?:da (?:pagare|restituire|rinnovare) entro(?: il)?|entro(?: e non oltre)?(?: il)?|termine(?: di pagamento)?)",
                    "(?:(?:a )?(?:pagar|devolver|renovar|revisar) (?:antes del|hasta el)|fecha límite(?: de pago)?|antes del|a más tardar el)"),
            kind(
                    DateRole.PRINTED,
                    "print(?:ed|ing|out)?(?: (?:date|on|at|day))*",
                    "(?:generated|exported|downloaded|output)(?: (?:date|on|at))*",
                    "date (?:of print(?:ing)?|printed)",
                    "(?:gedruckt|ausgedruckt|druckdatum|ausdruck)(?: (?:am|vom))?",
                    "(?:imprimée?|date d['’]impression|impression)" + ON,
                    "(?:stampat[oa]|data di stampa)" + ON,
                    "(?:impres[oa]|fecha de impresión)" + ON),
            kind(
                    DateRole.DATED,
                    "dated?(?: (?:this|as of|at|the))?",
                    "(?:date|day) (?:of )?(?:issue|issuance|issued|signing|signature|signed|writing|letter|report|certificate|this letter|document)"
                            + ON,
                    "(?:date )?(?:issued|signed|written|given|made|executed|drawn up|certified|sworn|completed|prepared|reported)"
                            + "(?: (?:at|in) \\p{Lu}\\p{L}+,?)?(?: (?:on|this|the))*",
                    "(?:issue|issuing|signing|signature|report|letter|invoice|document|certificate) date" + ON,
                    "in witness whereof.{0,60}?(?:on|this)",
                    "(?:ausgestellt|unterschrieben|unterzeichnet|unterfertigt|erstellt|ausgefertigt|ausgegeben|verfasst|abgeschlossen)"
                            + "(?: in \\p{L}+,?)?(?: (?:am|vom|den))*",
                    "(?:ausstellungs|unterschrifts|rechnungs|beleg|brief|erstellungs|ausgabe)(?:datum|tag)",
                    "(?:datum|tag) der (?:ausstellung|unterschrift|ausfertigung|erstellung)",
                    "datum",
                    "(?:schreiben|brief|bescheid|rechnung|vertrag|zeugnis|bescheinigung|gutachten|befund|bestätigung|nachweis|attest|zertifikat|quittung|protokoll)(?: nr\\.? \\S+)? vom",
                    "(?:délivrée?|émise?|établie?|signée?|faite?|rédigée?)(?: (?:à|a) \\p{L}+,?)?" + ON,
                    "date (?:d['’]émission|de (?:délivrance|signature)|d['’]établissement)",
                    "(?:rilasciat[oa]|emess[oa]|firmat[oa]|redatt[oa]|sottoscritt[oa]|fatto)(?: (?:a|in) \\p{L}+,?)?"
                            + ON,
                    "data (?:di (?:rilascio|emissione|firma)|del documento)",
                    "(?:expedid[oa]|emitid[oa]|firmad[oa]|hecho|otorgad[oa])(?: en \\p{L}+,?)?(?: a)?" + ON,
                    "fecha de (?:expedición|emisión|firma)",
                    "(?:data|fecha)"),
            kind(
                    DateRole.OTHER,
                    "(?:appointment|visit|meeting|lesson|hearing|interview|exam(?:ination)?|course|training|session|event|delivery|departure|arrival|"
                            + "operation|surgery|admission|discharge|accident|incident|hire|joining|registration|purchase|order|vaccination|dose)"
                            + "(?: (?:date|on|is|was|of|held|took place|takes place|given|will be(?: held)?))*",
                    "(?:last|previous) (?:review|inspection|examination|test|check|service|visit)(?: (?:date|was|on))*",
                    "(?:reviewed|inspected|examined|tested|checked|serviced|trained|renewed|approved|updated|amended)(?: (?:on|by us|here))*",
                    "(?:attended|held|took place|takes place|joined|hired|received|admitted|discharged|visited|seen|vaccinated|administered)"
                            + "(?: (?:on|by us|here))*",
                    "(?:received|entry|copy|scan(?:ned)?) (?:date|stamp|on)",
                    "(?:since|seit|depuis|desde)",
                    "(?:date )?(?:given|taken|done)",
                    "(?:first|originally|initially) (?:issued|registered|granted|licensed|signed)(?: (?:on|in))*",
                    "erstmals (?:ausgestellt|erteilt)(?: am)?",
                    "(?:your|our|the|his|her|their) (?:letter|mail|message|report|request|call|note) (?:of|dated|from)",
                    "(?:version|edition|fassung|ausgabe) (?:of|vom)",
                    "(?:receipt of|received) \\p{L}+(?: \\p{L}+)? on",
                    "(?:ihr|unser) (?:schreiben|brief|ansuchen) vom",
                    "(?:termin|besprechung|unterricht|stunde|prüfung|kurs|eingang|eingegangen|erhalten|unfall|aufnahme|entlassung|impfung)"
                            + "(?: (?:am|vom|ist))*",
                    "(?:rendez-vous|cours|examen|reçu|visite|appuntamento|visita|lezione|esame|ricevuto|cita|clase|recibido)"
                            + ON));

    private static final Pattern FORMER = Pattern.compile(
            "\\b(?:previous|former|old|earlier|prior|preceding|superseded|replaced|replaces|cancelled|original|last year['’]s|"
                    + "vorherige[rns]?|frühere[rns]?|alte[rns]?|bisherige[rns]?|ersetzte[rns]?|"
                    + "précédente?|ancien(?:ne)?|precedente|vecchi[oa]|anterior|antiguo|antigua)\\b",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.UNICODE_CHARACTER_CLASS);

    private static final Pattern ASKING = Pattern.compile(
            "\\b(?:please|kindly|must be|bitte|zurück\\w*|retour\\w*|veuillez|merci de|prego|si prega|por favor|rogamos)\\b",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.UNICODE_CHARACTER_CLASS);

    /** A label that ends in the word date, or begins with it, and is not known: what it tells is something else. */
    private static final Pattern SOME_DATE = Pattern.compile(
            "\\b(?:\\p{L}[\\p{L}-]* dates?|date of \\p{L}+(?: \\p{L}+)?|\\p{L}+(?:datum|termin))\\b",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.UNICODE_CHARACTER_CLASS);

    /** Those that tell little. */
    private static final Pattern WEAK = Pattern.compile(
            "^(?:date|datum|data|fecha|dated?|from|until|till|through|to|du|dal|del|von|vom|ab|bis|läuft|laeuft|tritt|lief|end|ende|ending|fine?|since|seit|depuis|desde|effective|exp\\.?|by|before|avant le|entro(?: il)?|antes del)$",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

    private record Kind(DateRole role, List<Pattern> labels) {}

    /**
     * @param start first character @param end behind the last one
     * @param isWeak whether it tells little, such as the word date alone
     * @param isKnown whether it is one of the list, and not just any words that end in date
     */
    record Label(DateRole role, int start, int end, boolean isWeak, boolean isKnown) {

        int length() {
            return end - start;
        }
    }

    /** Between words of a label: more would be the gap between two columns. */
    private static final String SPACE = "(?:[ \\u00a0]|[ ]?\\n[ ]{0,4})";

    private Labels() {}

    /** Each by itself, since of alternatives the first would be taken, and not the longest. */
    private static Kind kind(DateRole role, String... labels) {
        return new Kind(
                role,
                Arrays.stream(labels)
                        .map(label -> Pattern.compile(
                                "(?<![\\p{L}\\d])(?:"
                                        + label.replace(" ?", "\\s?").replace(" ", SPACE) + ")(?![\\p{L}\\d])",
                                Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.UNICODE_CHARACTER_CLASS))
                        .toList());
    }

    /** All labels in a part of a text, in its order; of those that overlap the longest. */
    static List<Label> in(String text, int from, int to) {
        List<Label> all = new ArrayList<>();
        for (Kind kind : STRONG) {
            for (Pattern label : kind.labels()) {
                Matcher m = label.matcher(text).region(from, to);
                m.useTransparentBounds(true);
                while (m.find()) {
                    all.add(new Label(
                            kind.role(),
                            m.start(),
                            m.end(),
                            WEAK.matcher(m.group()).matches(),
                            true));
                }
            }
        }
        Matcher some = SOME_DATE.matcher(text).region(from, to);
        some.useTransparentBounds(true);
        while (some.find()) {
            all.add(new Label(DateRole.OTHER, some.start(), some.end(), false, false));
        }
        return longest(all);
    }

    private static List<Label> longest(List<Label> all) {
        List<Label> kept = new ArrayList<>();
        all.sort((a, b) ->
                a.length() != b.length() ? b.length() - a.length() : a.role().compareTo(b.role()));
        for (Label label : all) {
            if (kept.stream().noneMatch(k -> label.start() < k.end() && k.start() < label.end())) {
                kept.add(label);
            }
        }
        kept.sort((a, b) -> a.start() - b.start());
        return kept;
    }

    /** The one that tells of what follows: the nearest that tells much, or else the nearest. */
    static Optional<Label> last(List<Label> labels) {
        Optional<Label> strong = labels.stream().filter(l -> !l.isWeak()).reduce((a, b) -> b);
        return strong.isPresent() ? strong : labels.stream().reduce((a, b) -> b);
    }

    /** Whether words ask somebody to do something. */
    static boolean ask(String words) {
        return ASKING.matcher(words).find();
    }

    /** Whether words tell of a former paper, and not of this one. */
    static boolean tellsOfFormer(String words) {
        return FORMER.matcher(words).find();
    }
}
