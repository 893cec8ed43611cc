package verisonus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.lang.classfile.ClassFile;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.jar.JarEntry;
import java.util.jar.JarFile;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;

/** A library of old class files, made fit for the start-up cache. */
class NewerClassesTest {
    @TempDir
    private Path dir;
    private Path jar = Path.of("");

    @BeforeEach
    void copied() throws Exception {
        jar = dir.resolve("library.jar");
        Files.copy(Path.of(CommandLine.class.getProtectionDomain().getCodeSource().getLocation().toURI()), jar);
    }

    @Test
    void everyOldClassIsRaisedAndNothingElseIsLost() throws IOException {
        int before = entries();
        assertThat(NewerClasses.in(jar)).isGreaterThan(100);
        assertThat(entries()).isEqualTo(before);
        try (JarFile in = new JarFile(jar.toFile())) {
            for (JarEntry e : java.util.Collections.list(in.entries())) {
                if (!e.getName().endsWith(".class")) continue;
                try (InputStream s = in.getInputStream(e)) {
                    assertThat(ClassFile.of().parse(s.readAllBytes()).majorVersion()).as(e.getName())
                            .isGreaterThanOrEqualTo(50);
                }
            }
        }
        assertThat(dir.toFile().list()).containsExactly("library.jar");
    }

    private int entries() throws IOException {
        try (JarFile in = new JarFile(jar.toFile())) {
            return in.size();
        }
    }

    @Test
    void whatIsNewEnoughStaysByteByByte() throws IOException {
        NewerClasses.in(jar);
        byte[] once = Files.readAllBytes(jar);
        assertThat(NewerClasses.in(jar)).isZero();
        assertThat(Files.readAllBytes(jar)).isEqualTo(once);
    }

    @Test
    void theRaisedLibraryPassesTheStrictVerifierAndWorks() throws Exception {
        NewerClasses.in(jar);
        try (URLClassLoader raised = new URLClassLoader(new URL[]{jar.toUri().toURL()},
                ClassLoader.getPlatformClassLoader())) {
            Class<?> line = Class.forName("picocli.CommandLine", true, raised);
            Class<?> spec = Class.forName("picocli.CommandLine$Model$CommandSpec", true, raised);
            assertThat(line).isNotEqualTo(CommandLine.class);
            Object made = line.getConstructor(Object.class).newInstance(spec.getMethod("create").invoke(null));
            assertThat(line.getMethod("getUsageMessage").invoke(made).toString()).contains("Usage:");
        }
    }
}
