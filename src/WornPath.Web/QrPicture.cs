using System.Text;
using QRCoder;

namespace WornPath.Web;

/// <summary>An address as a code to scan (ISO/IEC 18004).</summary>
public static class QrPicture
{
    /// <summary>The code as a picture in an address of its own, with the error correction of level M: screens reflect, and paper in a shop is worn.</summary>
    public static string Of(string address)
    {
        using var made = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        return "data:image/svg+xml;base64," + Convert.ToBase64String(Encoding.UTF8.GetBytes(new SvgQRCode(made).GetGraphic(4)));
    }
}
