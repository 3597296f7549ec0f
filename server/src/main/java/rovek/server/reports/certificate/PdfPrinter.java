package rovek.server.reports.certificate;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import org.springframework.stereotype.Component;

/** Prints a page to PDF with fonts of our own, embedded. */
@Component
class PdfPrinter {

    private static final String FAMILY = "Source Sans 3";

    byte[] print(CertificatePage page) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.useFastMode();
        builder.useUnicodeLineBreaker(new WordBreaker());
        builder.useFont(() -> font("SourceSans3-Regular.ttf"), FAMILY, 400, FontStyle.NORMAL, true);
        builder.useFont(() -> font("SourceSans3-SemiBold.ttf"), FAMILY, 600, FontStyle.NORMAL, true);
        builder.withHtmlContent(page.html(), null);
        builder.withProducer("Rovek");
        builder.toStream(out);
        try {
            builder.run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static InputStream font(String name) {
        return PdfPrinter.class.getResourceAsStream(name);
    }
}
