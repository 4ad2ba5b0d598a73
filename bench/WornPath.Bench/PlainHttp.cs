using System.Net;
using System.Net.Sockets;
using System.Text;

namespace WornPath.Bench;

/// <summary>
/// One kept connection that sends a request and waits for the whole answer, on the calling thread. A client library's own
/// threads would add a third of a millisecond here that is none of the server's.
/// </summary>
internal sealed class PlainHttp : IDisposable
{
    private readonly Socket _socket = new(AddressFamily.InterNetwork, SocketType.Stream, ProtocolType.Tcp) { NoDelay = true };
    private readonly byte[] _buffer = new byte[1 << 20];
    private readonly string _head;

    public PlainHttp(int port, IEnumerable<(string Name, string Value)> headers)
    {
        _socket.Connect(IPAddress.Loopback, port);
        _head = $" HTTP/1.1\r\nHost: 127.0.0.1:{port}\r\nContent-Type: application/json\r\n" + string.Concat(headers.Select(h => $"{h.Name}: {h.Value}\r\n"));
    }

    /// <summary>Posts JSON; throws where the answer is not 200 OK.</summary>
    public void Post(string path, byte[] json)
    {
        _socket.Send([.. Encoding.ASCII.GetBytes($"POST {path}{_head}Content-Length: {json.Length}\r\n\r\n"), .. json]);
        var got = 0;
        while (!IsWhole(_buffer.AsSpan(0, got)))
        {
            var more = _socket.Receive(_buffer, got, _buffer.Length - got, SocketFlags.None);
            if (more == 0) throw new InvalidOperationException("The server closed the connection.");
            got += more;
        }

        if (!_buffer.AsSpan(0, got).StartsWith("HTTP/1.1 200"u8)) throw new InvalidOperationException(Encoding.UTF8.GetString(_buffer, 0, got));
    }

    public void Dispose() => _socket.Dispose();

    private static bool IsWhole(ReadOnlySpan<byte> answer)
    {
        var end = answer.IndexOf("\r\n\r\n"u8);
        if (end < 0) return false;
        var head = Encoding.ASCII.GetString(answer[..end]);
        const string Length = "Content-Length: ";
        var at = head.IndexOf(Length, StringComparison.OrdinalIgnoreCase);
        if (at < 0) return answer.EndsWith("\r\n0\r\n\r\n"u8);
        var digits = head[(at + Length.Length)..];
        return answer.Length - end - 4 >= int.Parse(digits.Split('\r')[0]);
    }
}
