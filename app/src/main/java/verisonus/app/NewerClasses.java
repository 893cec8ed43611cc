package verisonus.app;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.lang.classfile.ClassFile;
import java.lang.classfile.ClassFileVersion;
import java.lang.classfile.ClassHierarchyResolver;
import java.lang.classfile.ClassModel;
import java.lang.classfile.ClassTransform;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Collections;
import java.util.jar.JarEntry;
import java.util.jar.JarFile;
import java.util.jar.JarOutputStream;

/**
 * Brings the class files of a jar to a format that the start-up cache takes: classes as old as Java 5 have no stack maps, and the
 * cache leaves them to be read, checked and linked at each start. What the code does stays. Run when the program is built.
 */
final class NewerClasses {
    /** The first format that always has stack maps, of Java 8. */
    private static final int WITH_STACK_MAPS = 52;
    private static final int OLDEST_CACHED = 50;
    private static final ClassTransform NEWER = ClassTransform.transformingMethodBodies((code, e) -> code.with(e))
            .andThen((built, e) -> {
                if (e instanceof ClassFileVersion) built.withVersion(WITH_STACK_MAPS, 0);
                else built.with(e);
            });

    private NewerClasses() {}

    /** @param jars rewritten in place */
    public static void main(String[] jars) throws IOException {
        for (String jar : jars) in(Path.of(jar));
    }

    /** @return how many classes were brought to the newer format */
    static int in(Path jar) throws IOException {
        Path made = jar.resolveSibling(jar.getFileName() + ".part");
        int changed;
        try {
            changed = rewritten(jar, made);
            if (changed > 0) Files.move(made, jar, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(made);
        }
        return changed;
    }

    private static int rewritten(Path from, Path to) throws IOException {
        int changed = 0;
        try (URLClassLoader around = new URLClassLoader(new URL[]{from.toUri().toURL()});
                JarFile in = new JarFile(from.toFile());
                JarOutputStream out = new JarOutputStream(new BufferedOutputStream(Files.newOutputStream(to)))) {
            ClassFile files = ClassFile.of(ClassFile.StackMapsOption.GENERATE_STACK_MAPS,
                    ClassFile.ClassHierarchyResolverOption.of(ClassHierarchyResolver.ofResourceParsing(around)
                            .orElse(ClassHierarchyResolver.defaultResolver())));
            for (JarEntry e : Collections.list(in.entries())) {
                byte[] bytes = in.getInputStream(e).readAllBytes();
                if (isClass(e)) {
                    ClassModel m = files.parse(bytes);
                    if (m.majorVersion() < OLDEST_CACHED) {
                        bytes = files.transformClass(m, NEWER);
                        changed++;
                    }
                }
                JarEntry same = new JarEntry(e.getName());
                same.setTime(e.getTime());
                out.putNextEntry(same);
                out.write(bytes);
                out.closeEntry();
            }
        }
        return changed;
    }

    private static boolean isClass(JarEntry e) {
        return e.getName().endsWith(".class") && !e.getName().endsWith("module-info.class");
    }
}
