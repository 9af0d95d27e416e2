package app.denfold.server.access.accounts;

import app.denfold.server.problems.Refusal;
import java.util.List;
import me.gosimple.nbvcxz.Nbvcxz;
import me.gosimple.nbvcxz.resources.ConfigurationBuilder;
import me.gosimple.nbvcxz.resources.Dictionary;
import me.gosimple.nbvcxz.resources.DictionaryBuilder;
import org.springframework.stereotype.Component;

/**
 * Which passwords are accepted: long enough, short enough to be hashed, and not among those that are tried first. How hard
 * one is to guess is judged by nbvcxz with its lists of leaked passwords.
 */
@Component
class PasswordRules {

    /** The fewest characters. */
    static final int SHORTEST = 10;

    /** Far more than anybody types; more would only keep the server busy. */
    static final int LONGEST = 200;

    private static final double LEAST_BITS = 24;

    /** @throws Refusal when it is not accepted, saying what would be */
    void check(String password, String name, String email) {
        if (password.length() < SHORTEST) {
            throw Refusal.invalid("password", "A password needs at least " + SHORTEST + " characters.");
        }
        if (password.length() > LONGEST) {
            throw Refusal.invalid("password", "A password has at most " + LONGEST + " characters.");
        }
        if (!judge(name, email).estimate(password).isMinimumEntropyMet()) {
            throw Refusal.invalid(
                    "password",
                    "This password is among those that are guessed first. Take several words that do not belong together,"
                            + " or more characters.");
        }
    }

    private static Nbvcxz judge(String name, String email) {
        DictionaryBuilder own = new DictionaryBuilder().setDictionaryName("own").setExclusion(true);
        for (String word : (name + " " + email.replace('@', ' ').replace('.', ' ')).split("\\s+")) {
            if (word.length() > 2) {
                own.addWord(word, 0);
            }
        }
        List<Dictionary> all = ConfigurationBuilder.getDefaultDictionaries();
        all.add(own.createDictionary());
        return new Nbvcxz(new ConfigurationBuilder()
                .setDictionaries(all)
                .setMinimumEntropy(LEAST_BITS)
                .createConfiguration());
    }
}
