package app.denfold.server.signing.sealing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.paper.sealing.KeyFile;
import app.denfold.paper.sealing.SealKey;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Where the keys of the seal are, and by what former seals are known. */
class SealVaultsTest {

    private static final Instant NOW = Instant.parse("2026-11-28T09:00:00Z");

    @TempDir
    private Path folder;

    private Path keys;

    @BeforeEach
    void closedToOthers() throws IOException {
        keys = Files.createDirectory(
                folder.resolve("keys"),
                PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwx------")));
    }

    private SealVaults file() {
        return new SealVaults(keys, "", "", "");
    }

    private SealVaults token(String slot) {
        return new SealVaults(keys, folder.resolve("no-token.so").toString(), slot, "1234");
    }

    private static SealKey key(SealVaults vaults) throws IOException {
        return SealKey.openOrMake(vaults.vault(), "Oakhollin", NOW);
    }

    @Test
    void withoutATokenTheKeysLieInAFileThatOnlyItsOwnerReads() throws IOException {
        SealVaults vaults = file();
        assertThat(vaults.isUsed()).isFalse();
        assertThat(vaults.writtenAt()).isEqualTo(Instant.EPOCH);
        byte[] certificate = key(vaults).certificates().get(0);
        Path file = keys.resolve("practice.p12");
        assertThat(Files.getPosixFilePermissions(file)).isEqualTo(PosixFilePermissions.fromString("rw-------"));
        assertThat(Files.getPosixFilePermissions(keys.resolve("seal.password")))
                .isEqualTo(PosixFilePermissions.fromString("rw-------"));
        assertThat(vaults.isUsed()).isTrue();
        Instant written = NOW.plus(Duration.ofDays(1));
        Files.setLastModifiedTime(file, FileTime.from(written));
        assertThat(vaults.writtenAt()).isEqualTo(written);
        assertThat(key(file()).certificates().get(0))
                .as("the next start opens them with the same password")
                .isEqualTo(certificate);
    }

    @Test
    void whatTheFileSealedIsKnownAfterATokenTookItsPlace() throws IOException {
        SealKey former = key(file());
        SealVaults vaults = token("");
        assertThat(vaults.isUsed()).isTrue();
        assertThat(vaults.writtenAt()).as("a token has no such moment").isEqualTo(Instant.EPOCH);
        assertThat(vaults.isFormer(former.certificates().get(0))).isTrue();
        SealKey others = SealKey.openOrMake(
                new KeyFile(folder.resolve("others.p12"), "other".toCharArray()), "Velmora Insurance", NOW);
        assertThat(vaults.isFormer(others.certificates().get(0))).isFalse();
        assertThat(file().isFormer(former.certificates().get(0)))
                .as("they are the ones of now")
                .isFalse();
    }

    @Test
    void theKeysFromBeforeThereWasARootAreKnownByThemselves() throws IOException {
        byte[] certificate = key(file()).certificates().get(0);
        Files.move(keys.resolve("practice.p12"), keys.resolve("seal.p12"), StandardCopyOption.ATOMIC_MOVE);
        assertThat(file().isUsed()).isFalse();
        assertThat(file().isFormer(certificate)).isTrue();
        assertThat(file().isFormer("another".getBytes())).isFalse();
    }

    @Test
    void aTokenThatIsNotThereAndASlotThatIsNoneAreToldInWords() {
        assertThatThrownBy(() -> token("0x2").vault())
                .isInstanceOf(IOException.class)
                .hasMessageContaining("The library of the token for sealing cannot be read");
        assertThatThrownBy(() -> token("the first"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("DENFOLD_SEAL_TOKEN_SLOT")
                .hasMessageContaining("the first");
    }
}
