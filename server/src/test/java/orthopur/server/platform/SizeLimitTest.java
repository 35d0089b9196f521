package orthopur.server.platform;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.http.HttpServletRequest;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;

/** What is too long, or does not say how long it is, is refused before a byte of it is read. */
class SizeLimitTest {
    private final FilterChain rest = mock();
    private final MockHttpServletResponse answer = new MockHttpServletResponse();

    private void send(String path, long length, String encoding) throws Exception {
        HttpServletRequest request = mock();
        when(request.getDispatcherType()).thenReturn(DispatcherType.REQUEST);
        when(request.getRequestURI()).thenReturn(path);
        when(request.getContentLengthLong()).thenReturn(length);
        when(request.getHeader("Transfer-Encoding")).thenReturn(encoding);
        new SizeLimit().doFilter(request, answer, rest);
        verify(request, never()).getInputStream();
    }

    @Test
    void aRequestInPiecesOfUnknownLength() throws Exception {
        send("/api/files", -1, "chunked");
        assertEquals(413, answer.getStatus());
        assertTrue(answer.getContentAsString().contains("does not say how long"));
        verify(rest, never()).doFilter(any(), any());
    }

    @Test
    void tooLongForADocumentAndRightForAnArchive() throws Exception {
        send("/api/files", 3_000_000, null);
        assertEquals(413, answer.getStatus());
        assertTrue(answer.getContentAsString().contains("3.0 MB; allowed are 2 MB"));
        verify(rest, never()).doFilter(any(), any());
        answer.reset();
        send("/api/archive", 3_000_000, null);
        assertEquals(200, answer.getStatus());
        verify(rest).doFilter(any(), any());
    }
}
