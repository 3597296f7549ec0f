package rovek.fieldsim;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The instrument's memory as files in a folder. A file is there whole or not at all, also after a power cut. */
final class HandheldMemory {

    private final Path folder;
    private final long capacityBytes;

    HandheldMemory(Path folder, long capacityBytes) {
        this.folder = folder.toAbsolutePath().normalize();
        this.capacityBytes = capacityBytes;
        try {
            Files.createDirectories(this.folder);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    long capacityBytes() {
        return capacityBytes;
    }

    /** Names with their folder, in order. */
    List<String> list() {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(Files::isRegularFile)
                    .map(file -> folder.relativize(file).toString().replace('\\', '/'))
                    .filter(name -> !name.endsWith(".part"))
                    .sorted()
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    List<String> list(String prefix) {
        return list().stream().filter(name -> name.startsWith(prefix)).toList();
    }

    long usedBytes() {
        return list().stream().mapToLong(this::size).sum();
    }

    long freeBytes() {
        return Math.max(0, capacityBytes - usedBytes());
    }

    long size(String name) {
        try {
            return Files.size(path(name));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    Optional<byte[]> read(String name) {
        try {
            Path path = path(name);
            return Files.isRegularFile(path) ? Optional.of(Files.readAllBytes(path)) : Optional.empty();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A part of a file, read as such; fewer bytes come only at its end. */
    Optional<byte[]> slice(String name, long offset, int count) {
        Path path = path(name);
        if (!Files.isRegularFile(path)) {
            return Optional.empty();
        }
        try (RandomAccessFile file = new RandomAccessFile(path.toFile(), "r")) {
            byte[] bytes = new byte[(int) Math.max(0, Math.min(count, file.length() - offset))];
            file.seek(Math.min(offset, file.length()));
            file.readFully(bytes);
            return Optional.of(bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    void write(String name, byte[] bytes) {
        try {
            Path target = path(name);
            Files.createDirectories(target.getParent());
            Path part = target.resolveSibling(target.getFileName() + ".part");
            Files.write(part, bytes);
            Files.move(part, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    boolean delete(String name) {
        try {
            return Files.deleteIfExists(path(name));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Path path(String name) {
        Path path = folder.resolve(name).normalize();
        if (!path.startsWith(folder)) {
            throw new IllegalArgumentException("A name that points outside the memory: " + name);
        }
        return path;
    }
}
