package rovek.server.intake.tableimport;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;

/** The text of a file whose maker did not say how it is encoded. */
final class ForeignText {

    private static final Charset OF_THE_WEST = Charset.forName("windows-1252");

    private ForeignText() {}

    /** UTF-16 where it says so, UTF-8 where it can be, else as older programs of Europe and America write. */
    static String of(byte[] bytes) {
        if (bytes.length >= 2
                && (bytes[0] == (byte) 0xFF && bytes[1] == (byte) 0xFE
                        || bytes[0] == (byte) 0xFE && bytes[1] == (byte) 0xFF)) {
            return new String(bytes, StandardCharsets.UTF_16);
        }
        String text;
        try {
            text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (CharacterCodingException notUtf8) {
            text = new String(bytes, OF_THE_WEST);
        }
        if (text.indexOf('\0') >= 0) {
            throw new DomainProblem.Invalid("file", Sentence.of("intake.notTextTable"));
        }
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }
}
